/** A way of building kept for the company's new jobs. */
import { sideOfCompany, withSide, type School } from '@katabasis/core';
import { useChangeCompany, useCompany } from '../../../files/offices';
import { useJob } from '../../../planning/useJob';
import { Button } from '../../../ui/Button';
import { Text } from '../../../ui/Text';

export function ForCompany({ school, side }: { school: School; side: string }) {
  const { job } = useJob();
  const { data } = useCompany();
  const [change, said] = useChangeCompany();
  if (!data) return null;
  if (sideOfCompany(data, school) === side) return <Text kind="small">New jobs begin so.</Text>;
  const keep = (): void => void change((now) => withSide(now, school, job, side));
  return (
    <>
      <Button label="Begin new jobs so" kind="bare" onPress={keep} testID={`company-${school.id}`} />
      {said !== null && (
        <Text tone="stop" role="alert">
          {said}
        </Text>
      )}
    </>
  );
}
