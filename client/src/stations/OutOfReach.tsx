/** Why there is no answer: nobody answered, the server could not, or this device has not been let in. */
import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { NotAdmitted, Unreachable } from '../sync/ask';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';

interface Props {
  error: Error;
  /** What that means here. */
  rest: string;
  onRetry: () => void;
  more?: ReactNode;
}

export function OutOfReach({ error, rest, onRetry, more }: Props) {
  const router = useRouter();
  if (error instanceof NotAdmitted) {
    return (
      <Notice
        title="This device has not been let in"
        action={
          <>
            <Button label="Sign in" kind="main" onPress={() => router.navigate('/sign-in')} />
            <Button label="Type the code" onPress={() => router.navigate('/pair')} />
            {more}
          </>
        }
      >
        Sign in, or type the code on the server’s screen. What was made here is kept, and is sent then.
      </Notice>
    );
  }
  const said = error instanceof Unreachable ? error.said : null;
  return (
    <Notice
      title={said === null ? 'The server is out of reach' : 'The server could not answer'}
      action={
        <>
          <Button label="Try again" kind={more === undefined ? 'line' : 'main'} onPress={onRetry} />
          {more}
        </>
      }
    >
      {said === null ? rest : `${said} ${rest}`}
    </Notice>
  );
}
