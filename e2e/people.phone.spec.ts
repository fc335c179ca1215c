import { expect, type APIRequestContext } from '@playwright/test';
import { test } from './lib/test';
import { comeIn, LAN, PASSWORD, serveOnLan } from './lib/people';
import { stopServer } from './lib/server';

const roleIs = async (request: APIRequestContext, here: string, name: string, role: string): Promise<void> => {
  const { people } = (await (await request.get(`${here}/api/people`)).json()) as {
    people: { id: string; name: string }[];
  };
  const { id } = people.find((each) => each.name === name)!;
  const done = await request.put(`${here}/api/people/${id}`, { data: { role, everywhere: true } });
  expect(done.status()).toBe(204);
};

test('a crew comes in by an invitation, sees no price, digs by the plan and moves nothing of it', async ({
  page,
  request,
  browser,
}) => {
  test.skip(LAN === undefined, 'This machine has no network of its own.');
  const { server, base: here } = await serveOnLan('people');
  // In the office, on the server's own machine.
  await page.goto(`${here}/people`);
  await page.getByTestId('invite-name').fill('Ines Halloran');
  await page.getByTestId('invite').click();
  const link = (await page.getByTestId('invitation-link').textContent())!;
  // It leads to where a phone reaches the server.
  expect(link).toContain(LAN!);
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await comeIn(phone, link);
  await expect(phone.getByText(/\$/)).toHaveCount(0);
  await phone.getByRole('link', { name: /^Quillfeather/ }).click();
  await phone.getByRole('link', { name: 'Build' }).click();
  await expect(phone.getByTestId('page-dig')).toBeVisible();
  await expect(phone.getByTestId('page-price')).toHaveCount(0);
  await phone.goto(`${link.split('/join')[0]}/job/quillfeather/build?at=~price`);
  await expect(phone.getByText('Prices are not shown to you.')).toBeVisible();
  // A fix is the planner's; what is said of it stands at its place.
  await phone.goto(`${link.split('/join')[0]}/job/quillfeather/plan`);
  await phone.getByTestId('fix-outOfFall').click();
  await expect(phone.getByText(/is the planner’s to change/).first()).toBeVisible();
  const history = await (await request.get(`${here}/api/jobs/quillfeather/history`)).json();
  expect(history).toEqual({ changes: [], next: null });
  // Let in no more: out at once, and told so.
  await page.reload();
  await page.getByTestId('person-Ines Halloran').click();
  await page.getByTestId('end').click();
  await page.getByTestId('end-sure').click();
  await expect(page.getByText('Nobody is signed in by name yet')).toBeVisible();
  // Who has gone is forgotten on a second tap.
  await page.getByRole('button', { name: 'Forget Ines Halloran', exact: true }).click();
  await page.getByTestId('forget-sure').click();
  await expect(page.getByTestId('who-left')).toHaveCount(0);
  await phone.goto(`${link.split('/join')[0]}/devices`);
  await expect(phone.getByText('This device has not been let in')).toBeVisible();
  await phone.getByRole('button', { name: 'Sign in' }).click();
  await phone.getByTestId('sign-in-name').fill('Ines Halloran');
  await phone.getByTestId('sign-in-password').fill(PASSWORD);
  await phone.getByTestId('sign-in').click();
  await expect(phone.getByRole('alert')).toContainText('not the name and password');
  await phone.context().close();
  await stopServer(server);
});

test('what a planner wrote on an offline day is not lost where the role was taken away meanwhile', async ({
  page,
  request,
  browser,
}) => {
  test.skip(LAN === undefined, 'This machine has no network of its own.');
  const { server, base: here } = await serveOnLan('offline-role');
  const invited = await request.post(`${here}/api/people/invitations`, {
    data: { name: 'Teo', role: 'planner', everywhere: true, days: 1 },
  });
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await comeIn(phone, ((await invited.json()) as { link: string }).link);
  await phone.getByRole('link', { name: /^Quillfeather/ }).click();
  await expect(phone.getByTestId('fix-outOfFall')).toBeVisible();
  // What the phone sends comes to nothing for now; the page stays.
  await phone.route('**/api/**', (route) => route.abort());
  await phone.getByTestId('fix-outOfFall').click();
  await expect(phone.getByRole('status').filter({ hasText: 'kept on this device' })).toBeVisible();
  await roleIs(request, here, 'Teo', 'crew');
  await phone.unroute('**/api/**');
  await phone.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(phone.getByText(/lies with the office/)).toBeVisible();
  await page.goto(`${here}/people`);
  await expect(page.getByText('Written by who may not')).toBeVisible();
  await page.getByTestId('put-in').click();
  await expect(page.getByText('Written by who may not')).toHaveCount(0);
  const { changes } = (await (await request.get(`${here}/api/jobs/quillfeather/history`)).json()) as {
    changes: { by: string }[];
  };
  expect(changes.map(({ by }) => by)).toEqual(['Teo, by Computer']);
  await phone.context().close();
  await stopServer(server);
});

test('a passkey is made, and lets in again without a word typed', async ({ page, request }) => {
  const { server, base: here } = await serveOnLan('passkey', { KATABASIS_HOST: 'localhost' });
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('WebAuthn.enable');
  await devtools.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
  const base = here.replace('127.0.0.1', 'localhost');
  const invited = await request.post(`${here}/api/people/invitations`, {
    data: { name: 'Mara', role: 'owner', everywhere: true, days: 1 },
  });
  await comeIn(page, new URL(((await invited.json()) as { link: string }).link, base).href);
  await page.goto(`${base}/you`);
  await page.getByTestId('make-passkey').click();
  await expect(page.getByText('Not used yet')).toBeVisible();
  await page.getByTestId('sign-out').click();
  await page.getByTestId('by-passkey').click();
  await expect(page.getByRole('link', { name: /^Quillfeather/ })).toBeVisible();
  await page.goto(`${base}/you`);
  await expect(page.getByText('Mara')).toBeVisible();
  await expect(page.getByText(/^Used last/)).toBeVisible();
  await page.goto(`${base}/audit`);
  await expect(page.getByText(/^Mara: signed in by a passkey/)).toBeVisible();
  await stopServer(server);
});
