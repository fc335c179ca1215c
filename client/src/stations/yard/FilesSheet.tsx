/** Levels, plans and photos in and out. */
import { Sheet } from '../../ui/Sheet';
import { Text } from '../../ui/Text';

export function FilesSheet({ onClose }: { onClose: () => void; onGo: (id: string) => void }) {
  return (
    <Sheet title="Files" onClose={onClose}>
      <Text>None yet.</Text>
    </Sheet>
  );
}
