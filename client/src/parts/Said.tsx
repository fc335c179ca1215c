import { Text } from '../ui/Text';

/** What the server would not do, where there is something. */
export const Said = ({ said }: { said: string | null }) =>
  said === null ? null : (
    <Text tone="stop" role="alert">
      {said}
    </Text>
  );
