/** What a way down is made of: pipes, and landings with what fills and opens at them. */

/** A place where water can come up out of the ground: an inlet's grate, or a downspout's foot. */
export interface Mouth {
  id: string;
  level: number;
}

/** What else fills at a landing once water stands there: a pipe that comes in from the side, and what it leads to. */
export interface Side {
  run: string;
  /** m; inverts at its head and where it comes in, m above the job's zero. */
  length: number;
  up: number;
  down: number;
  diameter: number;
}

export interface LandingOnWay {
  id: string;
  /** m down from the head. */
  at: number;
  /** Where water can come up at it or beside it, lowest first. */
  mouths: readonly Mouth[];
  sides: readonly Side[];
  /** What its sump holds below the pipe that leaves it, m³. */
  sump: number;
}

export interface PipeOnWay {
  run: string;
  /** m down from the head to this pipe's own head. */
  at: number;
  length: number;
  up: number;
  down: number;
  diameter: number;
  roughness: number;
  /** How many lie side by side and share the flow. */
  parallel: number;
}
