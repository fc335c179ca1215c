/** How every kind of element is shown. */
import type { Element, ElementKind, OfKind } from '@katabasis/core';
import type { DrawGlyph } from '../drawing/LandingGlyph';
import { basinView } from './basin';
import { channelView } from './channel';
import { dischargeView } from './discharge';
import { downspoutView } from './downspout';
import { fixedFlowView } from './fixedFlow';
import { jobView } from './job';
import { junctionView } from './junction';
import { rainView } from './rain';
import { roofFaceView } from './roofFace';
import { runView } from './run';
import { surfaceView } from './surface';
import type { ElementView } from './view';

const VIEWS: { [K in ElementKind]: ElementView<OfKind<K>> } = {
  job: jobView,
  rain: rainView,
  roofFace: roofFaceView,
  downspout: downspoutView,
  basin: basinView,
  channel: channelView,
  fixedFlow: fixedFlowView,
  surface: surfaceView,
  junction: junctionView,
  discharge: dischargeView,
  run: runView,
};

/** The view of an element's kind, its parts taking that element. */
export const viewOf = (element: Element): ElementView => VIEWS[element.kind] as unknown as ElementView;

export const drawGlyph: DrawGlyph = (element, pens) => viewOf(element).glyph?.(element, pens) ?? null;
