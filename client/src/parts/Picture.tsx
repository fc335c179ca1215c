/** A picture of this job, from the device or from the server. */
import { useEffect, useState } from 'react';
import { Image, View } from 'react-native';
import { readFile } from '../sync/device/keptFiles';
import { Text } from '../ui/Text';

/** An address of a kept file, for as long as it is shown; undefined while it is looked for, null where nobody has it. */
export function useFile(file: string): string | null | undefined {
  const [url, setUrl] = useState<string | null | undefined>(undefined);
  useEffect(() => {
    let made: string | null = null;
    let gone = false;
    void readFile(file).then((blob) => {
      if (gone) return;
      made = blob ? URL.createObjectURL(blob) : null;
      setUrl(made);
    });
    return () => {
      gone = true;
      if (made) URL.revokeObjectURL(made);
    };
  }, [file]);
  return url;
}

export function Picture({ file, said }: { file: string; said: string }) {
  const url = useFile(file);
  if (url === undefined) return <View style={{ height: 200 }} />;
  if (url === null) return <Text tone="soft">The picture is not on this device, and the server is out of reach.</Text>;
  return (
    <Image
      source={{ uri: url }}
      accessibilityLabel={said}
      resizeMode="contain"
      style={{ width: '100%', height: 280 }}
    />
  );
}
