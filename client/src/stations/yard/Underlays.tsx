/** Pictures under the plan are drawn once there is a view to draw them in. */
import type { Job } from '@katabasis/core';

export function Underlays(_props: { job: Job }) {
  return null;
}
