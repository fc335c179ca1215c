/** A paper or a file of this job, made and saved; a sentence where it could not be. */
import { nameOf } from '@katabasis/core';
import { useState } from 'react';
import { saveFile, slug } from '../../files/files';
import { makePaper } from '../../files/papers';
import { useJob } from '../../planning/useJob';
import { Refused, Unreachable } from '../../sync/ask';

const QUIET = { onStep: () => undefined, onAhead: () => undefined };

export function usePaperFile(): { get: (file: string) => Promise<void>; wrong: string | null } {
  const { job, units } = useJob();
  const [wrong, setWrong] = useState<string | null>(null);
  const get = async (file: string): Promise<void> => {
    setWrong(null);
    try {
      const blob = await makePaper(file, job, units === 'us' ? 'letter' : 'a4', QUIET);
      saveFile(`${slug(nameOf(job, 'job'))}-${file}`, blob);
    } catch (error) {
      setWrong(error instanceof Refused || error instanceof Unreachable ? error.message : 'It could not be made.');
    }
  };
  return { get, wrong };
}
