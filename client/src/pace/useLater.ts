/** A value that may come a moment after what a tap shows: the frame of its picture never waits for what is drawn of it. */
import { startTransition, useEffect, useState } from 'react';
import { afterPicture } from '../sync/picture';

/** The value as it was, until the picture of what changed it is on the screen; and how to have one taken at once. */
export function useLater<T extends object>(value: T): [later: T, take: (value: T) => void] {
  const [later, setLater] = useState(value);
  useEffect(() => afterPicture(() => startTransition(() => setLater(value))), [value]);
  return [later, setLater];
}
