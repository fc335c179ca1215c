/** What one kind of element is: all that the rest of the core must know of it, in one entry. */
import type { z } from 'zod';

/** What a link must lead to: any landing, one that a pipe may leave, whatever takes water over the ground, a downspout, or an inlet in the ground. */
export type LinkTarget =
  | 'landing'
  | 'start'
  | 'taker'
  | 'downspout'
  | 'groundInlet'
  | 'building'
  | 'swale'
  | 'openWay'
  | 'run'
  | 'trench'
  | 'drain';

/** A field that names other elements: one id, or with `many` a list of `{ to, share }`. */
export interface Link {
  field: string;
  to: LinkTarget;
  many?: boolean;
  /** Links of one circuit must never go round: what they would be going round in, as a fault says it. */
  circuit?: 'pipes' | 'gutters' | 'overflows';
}

/** Where something new is put. */
export interface Site {
  id: string;
  name: string;
  /** Ground there, m above the job's zero. */
  groundLevel: number;
}

/** How a kind lies on the plan, which is also the field that says where. */
export type Shape = 'place' | 'way' | 'outline';

/** One way to put in an element of a kind. */
export interface Creation<E> {
  /** Name of the first one, before its number: `Wye 3`. */
  stem: string;
  /** What the list of things to put in says of it; left out where only a run offers it. */
  says?: string;
  /** Its name among the things that a run can be split at; left out where it cannot stand in a line. */
  inRun?: string;
  build(site: Site): E;
}

/** A schema of one kind of object, whose fields can be looked through. */
type SchemaOf<E> = z.ZodObject & z.ZodType<E>;

export interface Kind<E> {
  schema: SchemaOf<E>;
  /** Over the sheet of one: `Catch basin`. */
  label: string;
  /** Start of the ids made for it. */
  idStem: string;
  /** For the page about the job file: what it is, and what its fields mean where their names do not say so. */
  about: string;
  notes?: Readonly<Record<string, string>>;
  links?: readonly Link[];
  /** It is no thing of the yard: a station keeps it, and nobody looks for it by a name. */
  onPaper?: boolean;
  /** Whether a pipe can start, pass or end there; never, when absent. */
  isLanding?(element: E): boolean;
  /** Whether water comes to it over the ground. */
  groundInlet?: boolean;
  /** Whether it is no landing, and leads water on over the ground. */
  leadsOn?: boolean;
  /** Whether ground can be said to shed to it. */
  takesGround?: boolean;
  /** Of a landing: whether its water stands in it before it goes into the pipe that leaves it. */
  standsIn?: boolean;
  /** Of a landing: from its ground level down to the floor on which its own pipe goes on in the one that leaves it, m. */
  floorDepth?(element: E): number;
  /** What it is on the plan; absent of what has no place of its own. */
  shape?: Shape;
  /** What is wrong with one by itself that no schema can see. */
  faults?(element: E): { field: string; sentence: string }[];
  /** What to call one where it need not have a name; `nameOf` names another element. */
  nameIn?(element: E, nameOf: (id: string) => string): string;
  creations?: readonly Creation<E>[];
}

/** A kind as its own file writes it. */
export const kind = <E>(schema: SchemaOf<E>, entry: Omit<Kind<E>, 'schema'>): Kind<E> => ({ schema, ...entry });
