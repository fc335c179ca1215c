import { saveFile } from '../../files/files';
import { peopleApi } from './peopleApi';

/** Saves all that is kept of somebody as a JSON file; of oneself where nobody is named. */
export async function saveKept(id: string | null): Promise<void> {
  const kept = await peopleApi.kept(id);
  saveFile(`what is kept of ${kept.name}.json`, JSON.stringify(kept, null, 2));
}
