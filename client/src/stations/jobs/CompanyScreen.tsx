/** The company: what stands at the head of its papers, its own terms, and the ways that its new jobs begin with. */
import { MOST_MARK, type Company } from '@katabasis/core';
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Image, View } from 'react-native';
import { COMPANY_KEY, offices, useCompany } from '../../files/offices';
import { pickFile } from '../../files/files';
import { NameField } from '../../input/Field';
import { TextBox } from '../../input/TextBox';
import { without } from '../../input/without';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { fieldRow } from '../../ui/rows';
import { Text } from '../../ui/Text';
import { OutOfReach } from '../OutOfReach';
import { SidePage } from './SidePage';

type Line = 'name' | 'address' | 'phone' | 'mail' | 'licence';
const MOST_TERMS = 6000;
const LINES: readonly { field: Line; label: string; usual: string }[] = [
  { field: 'name', label: 'Company', usual: 'as it signs' },
  { field: 'address', label: 'Address', usual: 'street, town' },
  { field: 'phone', label: 'Phone', usual: '' },
  { field: 'mail', label: 'Mail', usual: '' },
  { field: 'licence', label: 'Licence', usual: 'number, if the place asks for one' },
];

/** A picture file as a data address; a sentence where it will not do. */
async function markOf(file: File): Promise<{ mark: string } | { sentence: string }> {
  if (!/^image\/(png|jpeg)$/.test(file.type)) return { sentence: 'A mark is a PNG or a JPEG.' };
  const mark = await new Promise<string>((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(new Error('The picture could not be read.'));
    reader.readAsDataURL(file);
  });
  return mark.length > MOST_MARK ? { sentence: 'This picture is too large: at most 150 kB.' } : { mark };
}

export function CompanyScreen() {
  const company = useCompany();
  const queries = useQueryClient();
  const router = useRouter();
  const [said, setSaid] = useState<string | null>(null);
  const save: Save = (change) => {
    const before = queries.getQueryData<Company>(COMPANY_KEY);
    setSaid(null);
    if (before) queries.setQueryData(COMPANY_KEY, change(before));
    offices.changeCompany(change).then(
      (now) => queries.setQueryData(COMPANY_KEY, now),
      (error: Error) => {
        queries.setQueryData(COMPANY_KEY, before);
        setSaid(`${error.message} What was typed is not kept: type it again when the server is in reach.`);
      },
    );
  };
  const { data } = company;
  return (
    <SidePage title="Company">
      {company.isPending && <Notice title="Reading" />}
      {company.isError && !data && (
        <OutOfReach error={company.error} rest="This page needs the server." onRetry={() => void company.refetch()} />
      )}
      <View style={{ flexDirection: 'row' }}>
        <Button label="Own figures" onPress={() => router.navigate('/figures')} testID="own-figures" />
      </View>
      {said !== null && <Text role="alert">{said}</Text>}
      {data && <Letterhead company={data} save={save} onSaid={setSaid} />}
      {data && <UsualWays company={data} save={save} />}
    </SidePage>
  );
}

type Save = (change: (now: Company) => Company) => void;

interface PartProps {
  company: Company;
  save: Save;
}

function Letterhead({ company, save, onSaid }: PartProps & { onSaid: (said: string | null) => void }) {
  const choose = async (): Promise<void> => {
    const file = await pickFile('image/png,image/jpeg');
    if (!file) return;
    const read = await markOf(file).catch((error: Error) => ({ sentence: error.message }));
    if ('sentence' in read) onSaid(read.sentence);
    else save((now) => ({ ...now, mark: read.mark }));
  };
  return (
    <View style={{ gap: SPACE.m }}>
      <Text>This stands at the head of every offer, on paper and behind a link.</Text>
      <View style={fieldRow}>
        {LINES.map(({ field, label, usual }) => (
          <NameField
            key={field}
            label={label}
            value={company[field] ?? ''}
            optional
            most={200}
            usual={usual}
            onCommit={(typed) => {
              save((now) => without(now, field, typed === '' ? undefined : typed));
              return null;
            }}
            testID={`company-${field}`}
          />
        ))}
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.m }}>
        {company.mark !== undefined && (
          <Image
            source={{ uri: company.mark }}
            style={{ width: 120, height: 60 }}
            resizeMode="contain"
            accessibilityLabel="Your mark"
          />
        )}
        <Button label={company.mark ? 'Another mark' : 'Put in a mark of your own'} onPress={() => void choose()} />
        {company.mark !== undefined && (
          <Button
            label="Leave the mark out"
            kind="bare"
            onPress={() => save((now) => without(now, 'mark', undefined))}
          />
        )}
      </View>
      <Terms company={company} save={save} />
    </View>
  );
}

/** Its own terms: a paragraph a line. */
function Terms({ company, save }: PartProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const kept = company.terms ?? '';
  const done = (): void => {
    const next = (typed ?? kept).trim();
    if (next.length > MOST_TERMS) return;
    if (next !== kept) save((now) => without(now, 'terms', next === '' ? undefined : next));
    setTyped(null);
  };
  return (
    <TextBox
      label="Terms, in place of the usual ones"
      text={typed ?? kept}
      words
      lines={5}
      usual="This offer stands for 30 days."
      onText={setTyped}
      onDone={done}
      wrong={(typed ?? '').length > MOST_TERMS ? `At most ${MOST_TERMS} letters.` : null}
      testID="company-terms"
    />
  );
}

/** How many of a thing are set. */
const counted = (all: object | undefined): number => Object.keys(all ?? {}).length;

function UsualWays({ company, save }: PartProps) {
  const own = counted(company.ways) + counted(company.calendar) + counted(company.schools);
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">How it builds and works</Text>
      <Text>
        {own === 0
          ? 'New jobs begin with the usual ways. Open a job, choose under Ways to build, and let new jobs begin so.'
          : `${own === 1 ? 'One way differs' : `${own} ways differ`} from the usual ones. New jobs begin with them; jobs that are there keep their own.`}
      </Text>
      {own > 0 && (
        <View style={{ flexDirection: 'row' }}>
          <Button
            label="Back to the usual ways"
            onPress={() => save(({ ways: _ways, calendar: _crew, schools: _sides, ...rest }) => rest)}
          />
        </View>
      )}
    </View>
  );
}
