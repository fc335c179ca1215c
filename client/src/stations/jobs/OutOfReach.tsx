/** Why there is no answer: nobody answered, the server could not, or this device has not been let in. */
import { useRouter } from 'expo-router';
import { NotAdmitted, Unreachable } from '../../data/api';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';

interface Props {
  error: Error;
  /** Whether something is shown from before. */
  some: boolean;
  onRetry: () => void;
}

export function OutOfReach({ error, some, onRetry }: Props) {
  const router = useRouter();
  if (error instanceof NotAdmitted) {
    return (
      <Notice
        title="This device has not been let in"
        action={<Button label="Type the code" kind="main" onPress={() => router.navigate('/pair')} />}
      >
        The server shows a pairing code on its own screen. What was made on this device is kept here, and is sent once
        it is let in.
      </Notice>
    );
  }
  const said = error instanceof Unreachable ? error.said : null;
  return (
    <Notice
      title={said === null ? 'The server is out of reach' : 'The server could not answer'}
      action={<Button label="Try again" onPress={onRetry} />}
    >
      {[
        said,
        some
          ? 'These are the jobs as this device last saw them. You can go on working; changes are kept here and sent later.'
          : 'No jobs have been read on this device yet.',
      ]
        .filter(Boolean)
        .join(' ')}
    </Notice>
  );
}
