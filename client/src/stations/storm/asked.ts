import type { CaseId, LayerId } from '@katabasis/core';

/** A cell of the table. */
export interface Asked {
  layer: LayerId;
  case: CaseId;
}
