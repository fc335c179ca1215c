/** What is printed and what other programs take over: sheets on paper, tables, drawings. */
import { digLines, headOf, nameOf } from '@katabasis/core';
import FileText from 'lucide-react-native/icons/file-text';
import Table2 from 'lucide-react-native/icons/table-2';
import { useState } from 'react';
import { View } from 'react-native';
import { whyNot } from '../../sync/ask';
import { saveFile, slug } from '../../files/files';
import { makePaper } from '../../files/papers';
import { useJob } from '../../planning/useJob';
import { useMay } from '../../planning/useMay';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Text } from '../../ui/Text';
import { useOffering } from './AllTheSame';
import { ShareLinks } from './ShareLinks';

const PRINTED: readonly [file: string, label: string][] = [
  ['set.pdf', 'The whole set'],
  ['plan.pdf', 'Plan to scale'],
  ['sections.pdf', 'Long sections'],
  ['runs.pdf', 'Schedule of runs'],
  ['dig.pdf', 'Dig sheets'],
  ['parts.pdf', 'Parts list'],
];

const TABLES: readonly [file: string, label: string][] = [
  ['runs.csv', 'Runs'],
  ['inlets.csv', 'Inlets and ends'],
  ['parts.csv', 'Parts'],
  ['price.csv', 'Price, line by line'],
  ['levels.csv', 'Levels'],
];

const DRAWN: readonly [file: string, label: string][] = [
  ['plan.dxf', 'Drawing (DXF)'],
  ['network.xml', 'Pipes and ground (LandXML)'],
  ['site.geojson', 'Site (GeoJSON)'],
  ['days.ics', 'Days for a calendar (ICS)'],
];

const FOR_CUSTOMER: ReadonlySet<string> = new Set(['quote.pdf']);

type Making = { file: string; done: number; of: number; ahead: number } | { file: string; wrong: string } | null;

export function PaperSheet() {
  const { job, plan, units } = useJob();
  const [paper, setPaper] = useState<'a4' | 'letter'>(units === 'us' ? 'letter' : 'a4');
  const [making, setMaking] = useState<Making>(null);
  const { offer, asking } = useOffering();
  const seesPrices = useMay('prices');
  const shares = useMay('share');
  const busy = making !== null && 'done' in making;
  const get = async (file: string): Promise<void> => {
    const making = { file, done: 0, of: 1, ahead: 0 };
    setMaking(making);
    try {
      const blob = await makePaper(file, job, paper, {
        onStep: (done, of) => setMaking({ ...making, done, of }),
        onAhead: (ahead) => setMaking({ ...making, ahead }),
      });
      saveFile(`${slug(nameOf(job, 'job'))}-${file}`, blob);
      setMaking(null);
    } catch (error) {
      const said = whyNot(error, 'It could not be made.');
      setMaking({ file, wrong: said });
    }
  };
  const digs = digLines(job, plan).map(({ letter }): [string, string] => [
    `dig-${letter.toLowerCase()}.csv`,
    `Dig sheet ${letter}`,
  ]);
  const group = (title: string, files: readonly (readonly [string, string])[], icon: typeof FileText) => (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">{title}</Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {files.map(([file, label]) => (
          <Button
            key={file}
            label={label}
            icon={icon}
            disabled={busy}
            onPress={() => (FOR_CUSTOMER.has(file) ? offer(() => void get(file)) : void get(file))}
            testID={`make-${file}`}
          />
        ))}
      </View>
    </View>
  );
  return (
    <View style={{ gap: SPACE.l, maxWidth: 900 }}>
      <Size paper={paper} onChoose={setPaper} />
      <View role="status" aria-live="polite">
        {making !== null && 'done' in making && (
          <Text>
            {making.ahead === 0
              ? `Making it: ${making.done} of ${making.of}`
              : `${making.ahead === 1 ? 'One other is' : `${making.ahead} others are`} made before it.`}
          </Text>
        )}
        {making !== null && 'wrong' in making && (
          <Text tone="stop" role="alert">
            {making.wrong} What is laid, bought and dug stands on the other pages of this station without it.
          </Text>
        )}
      </View>
      {group('For the crew', PRINTED, FileText)}
      {seesPrices && (
        <View style={{ gap: SPACE.s }}>
          {group('For the customer', [['quote.pdf', 'Quote']], FileText)}
          {asking}
          <Text kind="small">
            It says what is done for {headOf(job).client ?? 'the customer'} and what it costs them; not what it costs
            you.
          </Text>
        </View>
      )}
      {shares && <ShareLinks />}
      {group('Tables (CSV)', [...TABLES.filter(([file]) => seesPrices || file !== 'price.csv'), ...digs], Table2)}
      {group('For other programs', DRAWN, Table2)}
    </View>
  );
}

function Size({ paper, onChoose }: { paper: 'a4' | 'letter'; onChoose: (paper: 'a4' | 'letter') => void }) {
  return (
    <Choice
      label="Paper"
      value={paper}
      options={[
        { value: 'letter', label: 'Letter' },
        { value: 'a4', label: 'A4' },
      ]}
      onChoose={onChoose}
    />
  );
}
