/** What is tried side by side in jars, and which side of which question of building each is. */
import { JAR_FILLS, type JarFill } from '../../job/kinds';

export { JAR_FILLS, type JarFill };

/** How it is called, and the side of a school that it speaks for. */
export const FILL_FACTS: Record<JarFill, { label: string; side?: { school: string; id: string } }> = {
  nonWoven: { label: 'Non-woven fabric', side: { school: 'fabric', id: 'wrapped' } },
  sock: { label: 'Sock', side: { school: 'fabric', id: 'sock' } },
  bare: { label: 'No fabric', side: { school: 'fabric', id: 'none' } },
  woven: { label: 'Woven sheet' },
  angular: { label: 'Crushed stone', side: { school: 'stone', id: 'angular' } },
  round: { label: 'Round stone', side: { school: 'stone', id: 'round' } },
  rows: { label: 'Pipe with holes in rows', side: { school: 'holes', id: 'rows' } },
  slots: { label: 'Pipe with slots', side: { school: 'holes', id: 'slots' } },
  other: { label: 'Something else' },
};

/** What one jar is called: as it was typed, where it is something of its own. */
export const fillLabel = ({ fill, name }: { fill: JarFill; name?: string | undefined }): string =>
  name ?? FILL_FACTS[fill].label;
