import { View } from 'react-native';
import { usePalette } from '../theme/theme';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';

/** Instead of a page that could not be drawn: what is kept, and the ways on. */
export function Failed({ error, retry }: { error: Error; retry: () => Promise<void> }) {
  const { ground } = usePalette();
  return (
    <View style={{ flex: 1, backgroundColor: ground }} role="alert">
      <Notice
        title="This page could not be drawn"
        action={
          <>
            <Button label="Draw it again" kind="main" onPress={() => void retry()} />
            <Button label="All jobs" onPress={() => window.location.assign('/')} />
          </>
        }
      >
        {`Nothing that was made before is touched by this. If it comes again, tell whoever looks after Katabasis: ${error.message}`}
      </Notice>
    </View>
  );
}
