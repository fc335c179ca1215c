/** An address that is none of ours. */
import { useRouter } from 'expo-router';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { SidePage } from './SidePage';

export function NotFoundScreen() {
  const router = useRouter();
  return (
    <SidePage title="There is no such page">
      <Notice
        title="The address leads nowhere"
        action={<Button label="All jobs" onPress={() => router.replace('/')} />}
      >
        It may have been cut short when it was copied.
      </Notice>
    </SidePage>
  );
}
