import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, render, screen, waitFor } from '@testing-library/react';
import { ThemeProvider } from '../theme/theme';
import { FILES_KEY } from '../sync/keys';
import * as keptFiles from '../sync/device/keptFiles';
import { UnsentFiles } from './UnsentFiles';

const unsent = (hash: string, more: Partial<keptFiles.UnsentFile> = {}): keptFiles.UnsentFile => ({
  hash,
  refused: null,
  stored: true,
  late: false,
  ...more,
});

async function draw(files: keptFiles.UnsentFile[], named?: ReadonlySet<string>): Promise<string> {
  jest.spyOn(keptFiles, 'unsentFiles').mockResolvedValue(files);
  const client = new QueryClient();
  const { container } = render(
    <QueryClientProvider client={client}>
      <ThemeProvider>
        <UnsentFiles {...(named ? { named } : {})} />
      </ThemeProvider>
    </QueryClientProvider>,
  );
  await waitFor(() => expect(client.getQueryData(FILES_KEY)).toEqual(files));
  return container.textContent ?? '';
}

it('counts what is still to be sent, and says where it is until then', async () => {
  expect(await draw([])).toBe('');
  expect(await draw([unsent('a')])).toBe('One picture is still to be sent, and kept on this device until then.');
  expect(await draw([unsent('a'), unsent('b', { stored: false })])).toBe(
    '2 pictures are still to be sent, and held on this page only: keep it open until then.',
  );
});

it('says why one was refused, and tries it again when it is told to', async () => {
  const retry = jest.spyOn(keptFiles, 'retryRefused').mockResolvedValue();
  const refused = 'A file is at most 20 MB.';
  expect(await draw([unsent('a', { refused }), unsent('b', { refused }), unsent('c')])).toContain(
    '2 pictures could not be sent: A file is at most 20 MB.',
  );
  act(() => screen.getByRole('button', { name: 'Try again' }).click());
  expect(retry).toHaveBeenCalledTimes(1);
});

it('on a job says nothing of what is sent in a moment, nor of another’s pictures', async () => {
  const named = new Set(['a', 'b']);
  expect(await draw([unsent('a'), unsent('other', { late: true })], named)).toBe('');
  expect(await draw([unsent('a', { late: true }), unsent('b')], named)).toContain('One picture is still to be sent');
});
