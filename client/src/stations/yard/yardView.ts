/** The two views of the yard, by their addresses: what is here as a list, and as the ground plan. The one used last is the one it opens in. */
import type { Job } from '@katabasis/core';
import { z } from 'zod';
import { sceneOf } from '../../drawing/yard/scene';
import { note, noted } from '../../input/notes';

const VIEWS = ['walk', 'yard'] as const;
export type YardView = (typeof VIEWS)[number];

const NAME = 'katabasis.yard.view';
const schema = z.enum(VIEWS);

/** The view that the yard of a job opens in: a job of which nothing lies on the plan begins with its list. */
export const yardViewOf = (job: Job): YardView => noted(NAME, schema) ?? (sceneOf(job).length > 0 ? 'yard' : 'walk');

export const noteYardView = (view: YardView): void => note(NAME, view);
