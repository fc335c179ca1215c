/** How one kind of element is shown: its form, what it does, its mark on a line, its line in a list. */
import type { Element, Shown } from '@katabasis/core';
import type { ComponentType, ReactNode } from 'react';
import type { OpenJob } from '../planning/useJob';
import type { GlyphPens } from '../drawing/LandingGlyph';
import type { PlanPens } from '../drawing/yard/pens';

/** Part of the yard's list that a kind stands in; `inlets` comes below `ground`, under one heading. */
export type ListGroup = 'buildings' | 'roofs' | 'ground' | 'inlets' | 'lines' | 'levels' | 'inTheWay' | 'pictures';

export interface FormProps<E> {
  element: E;
  onGo: (id: string) => void;
  onClose: () => void;
}

export interface ElementView<E = Element> {
  /** Fields of one, over what is said of every element. */
  Form: ComponentType<FormProps<E>>;
  /** What it does in the design rain, above its form. */
  Panel?: ComponentType<{ element: E }>;
  /** Draws the whole sheet itself, with its own snags and its own way to be taken out. */
  ownSheet?: boolean;
  /** Title of the sheet of a kind of which a job has one, and which is never taken out. */
  title?: string;
  /** Where it stands in the yard's list, and what its line says; null for what has no line of its own. */
  list: { group: ListGroup; about: (element: E, open: OpenJob) => { about: string; figure?: Shown } } | null;
  /** Its mark where a line passes. */
  glyph?: (element: E, pens: GlyphPens) => ReactNode;
  /** How it lies on the ground plan; its mark at its place where absent. */
  onPlan?: (element: E, pens: PlanPens) => ReactNode;
}

/** An element's feeds in words: `runs to Lawn basin`, or that it is led nowhere. */
export const ledTo = (verb: string, names: readonly string[]): string =>
  names.length > 0 ? `${verb} ${names.join(' and ')}` : 'led nowhere yet';
