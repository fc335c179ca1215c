/** Papers and files of this job, each made and saved by a tap; a sentence where one could not be. */
import { nameOf } from '@katabasis/core';
import FileText from 'lucide-react-native/icons/file-text';
import { useState } from 'react';
import { View } from 'react-native';
import { saveFile, slug } from '../../files/files';
import { makePaper } from '../../files/papers';
import { useJob } from '../../planning/useJob';
import { whyNot } from '../../sync/ask';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';

const QUIET = { onStep: () => undefined, onAhead: () => undefined };

export function PaperFiles({ files }: { files: readonly (readonly [file: string, label: string])[] }) {
  const { job, units } = useJob();
  const [wrong, setWrong] = useState<string | null>(null);
  const get = async (file: string): Promise<void> => {
    setWrong(null);
    try {
      const blob = await makePaper(file, job, units === 'us' ? 'letter' : 'a4', QUIET);
      saveFile(`${slug(nameOf(job, 'job'))}-${file}`, blob);
    } catch (error) {
      setWrong(whyNot(error, 'It could not be made.'));
    }
  };
  return (
    <>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {files.map(([file, label]) => (
          <Button key={file} label={label} icon={FileText} onPress={() => void get(file)} testID={`make-${file}`} />
        ))}
      </View>
      {wrong !== null && (
        <Text tone="stop" role="alert">
          {wrong}
        </Text>
      )}
    </>
  );
}
