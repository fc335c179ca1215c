/** Words on a drawing, none over another: each as near to its place as there is room, on a thin line where it had to step aside. */
import { LINE, type Box, type Paper } from './paper';

/** How far words step aside, points, and the ways that they do. */
const STEPS = [7, 14, 24, 38];
const WAYS = [0, 1, 2, 3, 4, 5, 6, 7].map((k) => (k * Math.PI) / 4);

export class Letters {
  private readonly taken: Box[] = [];
  /** How many found no room. */
  left = 0;

  constructor(
    private readonly paper: Paper,
    private readonly box: Box,
  ) {}

  put(said: string, x: number, y: number, colour: string, size: number): boolean {
    const [width, height] = [this.paper.widthOf(said, { size }), size * 1.15];
    for (const step of STEPS)
      for (const way of WAYS) {
        const [dx, dy] = [Math.cos(way), Math.sin(way)];
        // Its nearest edge stands at the step.
        const left = x + dx * step + (dx < -0.3 ? -width : dx > 0.3 ? 0 : -width / 2);
        const top = y + dy * step - height / 2;
        const own = { left, top, width, height };
        if (!this.free(own)) continue;
        this.taken.push(own);
        if (step > STEPS[1]!) {
          const { doc } = this.paper;
          doc
            .moveTo(x, y)
            .lineTo(x + dx * (step - 1), y + dy * (step - 1))
            .lineWidth(0.4)
            .strokeColor(LINE)
            .stroke();
        }
        this.paper.doc
          .rect(left - 0.5, top, width + 1, height)
          .fillOpacity(0.75)
          .fillColor('#ffffff')
          .fill()
          .fillOpacity(1);
        this.paper.say(said, left, top, { size, colour });
        return true;
      }
    this.left++;
    return false;
  }

  private free({ left, top, width, height }: Box): boolean {
    const { box } = this;
    if (left < box.left || top < box.top || left + width > box.left + box.width || top + height > box.top + box.height)
      return false;
    return this.taken.every(
      (other) =>
        left > other.left + other.width + 2 ||
        left + width + 2 < other.left ||
        top > other.top + other.height + 0.5 ||
        top + height + 0.5 < other.top,
    );
  }
}
