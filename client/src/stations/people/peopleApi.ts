/** What is asked of the server of people: coming in, one's own ways in, and, of an owner, who is here. */
import { codesSchema, invitedSchema, keptOfSchema, type KeptOf, type Invited, type Role } from '@katabasis/core';
import { startAuthentication, startRegistration } from '@simplewebauthn/browser';
import { z } from 'zod';
import { read } from '../../sync/api';
import { ask } from '../../sync/ask';
import { deviceName } from '../../sync/device';

const linkSchema = z.object({ link: z.string() });

type RegistrationOptions = Parameters<typeof startRegistration>[0]['optionsJSON'];
type SignInOptions = Parameters<typeof startAuthentication>[0]['optionsJSON'];

/** What the device made of a passkey, or that nobody showed a finger. */
async function byHand<T>(asked: Promise<T>): Promise<T> {
  try {
    return await asked;
  } catch {
    throw new Error('No passkey was shown. Try once more, or sign in by your password.');
  }
}

export const peopleApi = {
  signIn: async (name: string, password: string): Promise<void> =>
    void (await ask('POST', '/sign-in', { name, password, device: deviceName() })),
  signInByPasskey: async (): Promise<void> => {
    const optionsJSON = (await (await ask('POST', '/sign-in/passkey/options')).json()) as SignInOptions;
    const answer = await byHand(startAuthentication({ optionsJSON }));
    await ask('POST', '/sign-in/passkey', { answer, device: deviceName() });
  },
  makePasskey: async (): Promise<void> => {
    const optionsJSON = (await (await ask('POST', '/me/passkeys/options')).json()) as RegistrationOptions;
    const answer = await byHand(startRegistration({ optionsJSON }));
    await ask('POST', '/me/passkeys', { answer });
  },
  dropPasskey: async (id: string): Promise<void> =>
    void (await ask('DELETE', `/me/passkeys/${encodeURIComponent(id)}`)),
  setPassword: async (old: string, password: string): Promise<void> =>
    void (await ask('PUT', '/me/password', { old, password })),
  newCodes: async (): Promise<string[]> => (await read(codesSchema, ask('POST', '/me/codes'))).codes,
  signOut: async (): Promise<void> => void (await ask('POST', '/me/sign-out')),
  invited: (token: string): Promise<Invited> => read(invitedSchema, ask('POST', '/join/look', { token })),
  join: async (token: string, password: string): Promise<string[]> =>
    (await read(codesSchema, ask('POST', '/join', { token, password, device: deviceName() }))).codes,
  invite: async (asked: { name: string; role: Role; everywhere: boolean; days: number }): Promise<string> =>
    (await read(linkSchema, ask('POST', '/people/invitations', asked))).link,
  wayIn: async (person: string): Promise<string> =>
    (await read(linkSchema, ask('POST', `/people/${person}/way-in`))).link,
  withdrawInvitation: async (id: string): Promise<void> => void (await ask('DELETE', `/people/invitations/${id}`)),
  change: async (id: string, next: { role: Role; everywhere: boolean }): Promise<void> =>
    void (await ask('PUT', `/people/${id}`, next)),
  give: async (id: string, jobs: readonly { job: string; role: Role | null }[]): Promise<void> =>
    void (await ask('PUT', `/people/${id}/jobs`, { jobs })),
  /** All that is kept of somebody, as JSON; of oneself where nobody is named. */
  kept: async (id: string | null): Promise<KeptOf> =>
    read(keptOfSchema, ask('GET', id === null ? '/me/kept' : `/people/${id}/kept`)),
  forget: async (id: string): Promise<void> => void (await ask('POST', `/people/${id}/forget`)),
  end: async (id: string): Promise<void> => void (await ask('DELETE', `/people/${id}`)),
  putIn: async (number: number): Promise<void> => void (await ask('POST', `/handed/${number}/put-in`)),
  letBe: async (number: number): Promise<void> => void (await ask('DELETE', `/handed/${number}`)),
};
