/** Questions of what is built at all: each side is another drawing of the job. */
import type { School } from '../school';
import { channelEdge, channelWidth } from './channelPlace';
import { lowSpot } from './lowSpot';
import { pavingBase } from './pavingBase';
import { waters } from './waters';
import { wetGround } from './wetGround';

export const BUILT_SCHOOLS: readonly School[] = [wetGround, lowSpot, waters, pavingBase, channelWidth, channelEdge];
