/** Water in the open: swales, culverts under drives, berms. */
import { swaleUphill } from './swaleUphill';
import { swaleOver } from './swaleOver';
import { swaleLow } from './swaleLow';
import { swaleScours } from './swaleScours';
import { swaleFlat } from './swaleFlat';
import { swaleToNeighbour } from './swaleToNeighbour';
import { swaleAtDoor } from './swaleAtDoor';
import { swaleOverRarer } from './swaleOverRarer';
import { culvertUphill } from './culvertUphill';
import { culvertOverRoad } from './culvertOverRoad';
import { culvertRarer } from './culvertRarer';
import { culvertAboveRoad } from './culvertAboveRoad';
import { culvertCover } from './culvertCover';
import { culvertScours } from './culvertScours';
import { bermOver } from './bermOver';
import { bermLow } from './bermLow';
import { bermTraps } from './bermTraps';
import { bermDrainDrowns } from './bermDrainDrowns';
import { bermAcross } from './bermAcross';
import type { Rule } from '../../snag';

/** In the order in which snags of one weight are told. */
export const openRules: readonly Rule[] = [
  swaleUphill,
  swaleOver,
  swaleLow,
  swaleScours,
  swaleFlat,
  swaleToNeighbour,
  swaleAtDoor,
  swaleOverRarer,
  culvertUphill,
  culvertOverRoad,
  culvertRarer,
  culvertAboveRoad,
  culvertCover,
  culvertScours,
  bermOver,
  bermLow,
  bermTraps,
  bermDrainDrowns,
  bermAcross,
];
