/** Photos before cover on paper, three beside each other, each with its place along its pipe; one that is not here, or that paper cannot show, is listed. */
import { headOf, showLength, text, type Job } from '@katabasis/core';
import { alongWords, photosAlong } from '@katabasis/core/as-built';
import type { Paper } from './paper';

/** The bytes of a photo by its hash; null where they are not here. */
export type PictureOf = (hash: string) => Buffer | null;

const BESIDE = 3;
const GAP = 10;
/** A photo stands four to three, as phones take them; one taken upright is made smaller. */
const HIGH = 3 / 4;
/** A paper of more is sent by nobody: so many pictures, so many bytes of them. */
const MOST = 24;
const MOST_BYTES = 24_000_000;

export function putPhotos(paper: Paper, job: Job, pictureOf: PictureOf): void {
  const photos = photosAlong(job);
  if (photos.length === 0) return;
  paper.heading('Photos before cover');
  const { units } = headOf(job);
  const width = (paper.width - GAP * (BESIDE - 1)) / BESIDE;
  const room = { width, height: width * HIGH };
  const listed: string[] = [];
  const shown: { picture: Picture; said: string }[] = [];
  let bytes = 0;
  for (const { photo, run, along } of photos) {
    const said = `${alongWords(job, { run }, text(showLength(along, units)))}: ${photo.note ?? photo.name}`;
    const file = shown.length < MOST ? pictureOf(photo.file) : null;
    const picture = file && bytes + file.length <= MOST_BYTES ? opened(paper, file) : null;
    if (!picture) listed.push(said);
    else {
      bytes += file!.length;
      shown.push({ picture, said });
    }
  }
  for (let k = 0; k < shown.length; k += BESIDE) {
    const row = shown.slice(k, k + BESIDE);
    const words = row.map(({ said }) => paper.heightOf(said, { size: 9, width }));
    const height = room.height + 4 + Math.max(...words);
    paper.need(height);
    row.forEach(({ picture, said }, column) => {
      const left = paper.left + column * (width + GAP);
      paper.doc.image(picture, left, paper.y, { fit: [room.width, room.height], valign: 'bottom' });
      paper.say(said, left, paper.y + room.height + 4, { size: 9, width });
    });
    paper.y += height + 8;
  }
  for (const said of listed) paper.item(said);
}

/** pdfkit's own picture, which its types do not name. */
type Picture = string;

/** A JPEG or PNG, read once; null of what is neither, or broken. */
function opened(paper: Paper, file: Buffer): Picture | null {
  try {
    return (paper.doc as unknown as { openImage: (from: Buffer) => Picture }).openImage(file);
  } catch {
    return null;
  }
}
