/** Spots and boxes on a screen or a paper, from the left and from the top: px or pt. */
export interface Spot {
  x: number;
  y: number;
}

export interface Box {
  left: number;
  top: number;
  right: number;
  bottom: number;
}
