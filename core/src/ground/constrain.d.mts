/** Forces edges into a triangulation: crossing ones are refused by a throw. */
export default class Constrainautor {
  constructor(mesh: { triangles: Uint32Array; halfedges: Int32Array; coords: ArrayLike<number> });
  /** Puts one edge in, between two points by index. */
  constrainOne(from: number, to: number): void;
  /** Makes all other edges as good as they can be; with `deep`, as often as it takes. */
  delaunify(deep?: boolean): this;
}
