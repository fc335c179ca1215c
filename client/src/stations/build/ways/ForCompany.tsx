/** A way of building kept for the company's new jobs. */
import { sideOfCompany, withSide, type Company, type School } from '@katabasis/core';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { COMPANY_KEY, offices, useCompany } from '../../../files/offices';
import { useJob } from '../../../planning/useJob';
import { Button } from '../../../ui/Button';
import { Text } from '../../../ui/Text';

export function ForCompany({ school, side }: { school: School; side: string }) {
  const { job } = useJob();
  const { data } = useCompany();
  const queries = useQueryClient();
  const [said, setSaid] = useState<string | null>(null);
  if (!data) return null;
  if (sideOfCompany(data, school) === side) return <Text kind="small">New jobs begin so.</Text>;
  const keep = async (): Promise<void> => {
    setSaid(null);
    try {
      const next = await offices.changeCompany((now: Company) => withSide(now, school, job, side));
      queries.setQueryData(COMPANY_KEY, next);
    } catch (error) {
      setSaid((error as Error).message);
    }
  };
  return (
    <>
      <Button label="Begin new jobs so" kind="bare" onPress={() => void keep()} testID={`company-${school.id}`} />
      {said !== null && (
        <Text tone="stop" role="alert">
          {said}
        </Text>
      )}
    </>
  );
}
