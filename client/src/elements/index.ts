/** How every kind of element is shown. */
import type { Element, ElementKind, OfKind } from '@katabasis/core';
import { createElement } from 'react';
import { LandingGlyph, type DrawGlyph } from '../drawing/LandingGlyph';
import type { DrawOnPlan } from '../drawing/yard/pens';
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
import { barrierView } from './site/barrier';
import { breaklineView } from './site/breakline';
import { buildingView } from './site/building';
import { levelBookView } from './site/levelBook';
import { openingView } from './site/opening';
import { photoView } from './site/photo';
import { serviceView } from './site/service';
import { soilTestView } from './site/soilTest';
import { spotLevelView } from './site/spotLevel';
import { treeView } from './site/tree';
import { underlayView } from './site/underlay';
import { wetSpotView } from './site/wetSpot';
import type { ElementView } from './view';
import { drainView } from './works/drain';
import { drainFieldView } from './works/drainField';
import { swaleView } from './works/swale';
import { culvertView } from './works/culvert';
import { bermView } from './works/berm';
import { stoneDrainView } from './works/stoneDrain';
import { pavedBedView } from './works/pavedBed';
import { barrelView } from './works/barrel';
import { sleeveView } from './works/sleeve';

/** What a station keeps by itself. */
const ON_PAPER = { Form: () => null, list: null };

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
  wetSpot: wetSpotView,
  underlay: underlayView,
  tree: treeView,
  spotLevel: spotLevelView,
  soilTest: soilTestView,
  service: serviceView,
  photo: photoView,
  clearance: ON_PAPER,
  note: ON_PAPER,
  step: ON_PAPER,
  variant: ON_PAPER,
  visit: ON_PAPER,
  complaint: ON_PAPER,
  keeping: ON_PAPER,
  outcome: ON_PAPER,
  opening: openingView,
  levelBook: levelBookView,
  building: buildingView,
  breakline: breaklineView,
  barrier: barrierView,
  barrel: barrelView,
  berm: bermView,
  culvert: culvertView,
  drain: drainView,
  drainField: drainFieldView,
  pavedBed: pavedBedView,
  sleeve: sleeveView,
  stoneDrain: stoneDrainView,
  swale: swaleView,
};

/** The view of an element's kind, its parts taking that element. */
export const viewOf = (element: Element): ElementView => VIEWS[element.kind] as unknown as ElementView;

export const drawGlyph: DrawGlyph = (element, pens) => viewOf(element).glyph?.(element, pens) ?? null;

/** Draws any element on the ground plan: as its kind says, or its mark where it stands. */
export const drawOnPlan: DrawOnPlan = (element, pens) => {
  const view = viewOf(element);
  if (view.onPlan) return view.onPlan(element, pens);
  const at = pens.spots[0];
  return at && view.glyph
    ? createElement(LandingGlyph, { element, draw: drawGlyph, x: at.x, y: at.y, selected: pens.chosen })
    : null;
};
