/** An address of the stations; `JobLayout` draws the one it names. */
export default function Keep() {
  return null;
}
