import type { CaseId, LayerId } from '@katabasis/core/simulation';

/** A cell of the table. */
export interface Asked {
  layer: LayerId;
  case: CaseId;
}
