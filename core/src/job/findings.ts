/** Faults as they are found: where, and a sentence; the first are told, the rest counted. */

export interface Fault {
  /** Where: `elements`, the index or id, the field … */
  path: string;
  sentence: string;
}

/** Faults told at most: nobody reads more, and each of a hostile file's may be long. */
export const MAX_FAULTS = 200;

/** Faults as they are found: the first are told, the rest only counted. */
export class Findings {
  private readonly told: Fault[] = [];
  private found = 0;

  /** Takes one in; `fault` is only made where there is room to tell it. */
  add(fault: () => Fault): void {
    if (this.found++ < MAX_FAULTS) this.told.push(fault());
  }

  addAll(faults: readonly Fault[]): void {
    for (const fault of faults) this.add(() => fault);
  }

  get none(): boolean {
    return this.found === 0;
  }

  /** What is told, with how many more there are. */
  get all(): Fault[] {
    const more = this.found - this.told.length;
    if (more === 0) return this.told;
    return [...this.told, { path: 'and', sentence: `${more.toLocaleString('en-US')} more` }];
  }
}

export const at = (id: string, field?: string): string => `elements.${id}${field ? `.${field}` : ''}`;
