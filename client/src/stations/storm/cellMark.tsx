/** A cell's state by shape and by words. */
import type { LayerCell } from '@katabasis/core';
import { View } from 'react-native';
import { Mark, type MarkKind } from '../../ui/Mark';

const MARKS: Record<LayerCell['state'], MarkKind> = {
  dry: 'empty',
  takes: 'holds',
  passes: 'fix',
  close: 'mind',
  wet: 'stop',
};

export const markOfCell = ({ state }: LayerCell): MarkKind => MARKS[state];

export function CellMark({ cell }: { cell: LayerCell }) {
  return (
    <View style={{ width: 20, height: 20 }}>{cell.state !== 'dry' && <Mark kind={MARKS[cell.state]} size={20} />}</View>
  );
}
