/** Pictures as they are kept: turned upright, made small enough for a phone's signal, and free of where they were taken. */
import { keepFile } from '../sync/device/keptFiles';

/** The longer side that a picture is kept at, px. */
const LONGEST = 2000;
/** A file of more is no photo of a phone's, bytes. */
const MOST = 50e6;

export interface KeptPicture {
  hash: string;
  /** Width over height. */
  ratio: number;
}

/**
 * Keeps a picture: drawn anew, so that nothing but the picture itself is left of the file, neither place nor maker. Rejects with a
 * sentence where it is none.
 */
export async function keepPicture(file: File): Promise<KeptPicture> {
  if (file.size > MOST)
    throw new Error(`${file.name} is ${Math.round(file.size / 1e6)} MB; a picture is at most ${MOST / 1e6} MB.`);
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => null);
  if (!bitmap || bitmap.width < 2 || bitmap.height < 2)
    throw new Error(`${file.name} is no picture that this browser can read.`);
  const scale = Math.min(1, LONGEST / Math.max(bitmap.width, bitmap.height));
  const [width, height] = [Math.round(bitmap.width * scale), Math.round(bitmap.height * scale)];
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', 0.82));
  if (!blob) throw new Error(`${file.name} could not be kept.`);
  return { hash: await keepFile(blob), ratio: width / height };
}
