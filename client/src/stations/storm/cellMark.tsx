/** A cell's state by shape and by words. */
import type { CellSaid } from '@katabasis/core/simulation';
import { View } from 'react-native';
import { Mark, type MarkKind } from '../../ui/Mark';

const MARKS: Record<CellSaid['state'], MarkKind> = {
  dry: 'empty',
  takes: 'holds',
  stands: 'mind',
  passes: 'fix',
  close: 'mind',
  wet: 'stop',
};

export const markOfCell = ({ state }: CellSaid): MarkKind => MARKS[state];

export function CellMark({ cell }: { cell: CellSaid }) {
  return (
    <View style={{ width: 20, height: 20 }}>{cell.state !== 'dry' && <Mark kind={MARKS[cell.state]} size={20} />}</View>
  );
}
