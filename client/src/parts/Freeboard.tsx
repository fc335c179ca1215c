/** Opens the working of one of an inlet's figures. */
import { MAX_OVER_SILL, showSmall, type InletQuantity, type Shown } from '@katabasis/core';
import { useJob } from '../planning/useJob';
import { Figure } from '../ui/Figure';
export type Ask = (quantity: InletQuantity) => void;

/** What is left to the sill, in the design rain and in the rarer one that openings are checked by. */
export function Freeboard({ id, freeboard, onAsk }: { id: string; freeboard: number | null; onAsk: Ask }) {
  const { units, plan } = useJob();
  if (freeboard === null) return null;
  const rarer = plan.openings?.freeboards[id];
  const stop = (bad: boolean): { tone?: 'stop' } => (bad ? { tone: 'stop' } : {});
  const said = (left: number, when: string): { label: string; shown: Shown } => ({
    label: left < 0 ? `Over the sill${when}${left <= -MAX_OVER_SILL ? ', at least' : ''}` : `Below the sill${when}`,
    shown: showSmall(Math.abs(left), units),
  });
  return (
    <>
      <Figure
        {...said(freeboard, '')}
        {...stop(freeboard < plan.settings.openingMargin)}
        onPress={() => onAsk('sill')}
      />
      {rarer !== undefined && (
        <Figure
          {...said(rarer, `, ${plan.openings!.returnPeriod}-year`)}
          {...stop(rarer < 0)}
          onPress={() => onAsk('rarerSill')}
        />
      )}
    </>
  );
}
