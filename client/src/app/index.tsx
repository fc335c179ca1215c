import { quillfeather } from '@katabasis/core/samples';
import { planJob } from '@katabasis/core';
import { Text } from 'react-native';
import Svg, { Circle } from 'react-native-svg';
import { QueryClient } from '@tanstack/react-query';
import Undo from 'lucide-react-native/icons/undo-2';
export default function Home() {
  new QueryClient();
  return <><Text>{planJob(quillfeather()).verdict.sentence}</Text><Svg><Circle r={2} /></Svg><Undo /></>;
}
