/** A job told by the hand, from an empty page to parts, price and dig sheet: every tap and key is counted. */
import { expect, type Locator, type Page } from '@playwright/test';
import { lookedAt } from './jobs';

/** What is put in, field by field: as it is labelled, and what is typed there. */
interface Thing {
  fill?: Record<string, string>;
  /** Chips that are tapped, by how their names begin. */
  choose?: readonly string[];
  /** Boxes that are ticked. */
  check?: readonly string[];
}

/** An inlet on the page of a new job: what sheds to it, its ground, and how far it is to the next. */
interface First {
  area: string;
  ground?: string;
  length: string;
  /** `Downspout` when left out. */
  is?: 'Catch basin' | 'Channel drain';
}

const begins = (words: string): RegExp => new RegExp(`^${words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}`);

export class Story {
  private taps = 0;
  private keys = 0;

  constructor(
    private readonly page: Page,
    private readonly title: string,
  ) {
    page.setDefaultTimeout(10_000);
  }

  async tap(target: Locator): Promise<void> {
    this.taps++;
    await target.tap();
  }

  /** Types into a field and leaves it. */
  async type(field: Locator, text: string): Promise<void> {
    this.taps++;
    this.keys += text.length + 1;
    await field.fill(text);
    await field.press('Enter');
  }

  /** Begins a job on its page: inlets in a row, and where they run to. */
  async begin(
    inlets: readonly First[],
    out: { level: string; how?: string; into?: string; over?: string },
  ): Promise<void> {
    const { page } = this;
    await page.goto('/new');
    await page.getByRole('button', { name: 'Empty this page' }).tap();
    await this.type(page.getByTestId('new-name'), this.title);
    for (let k = inlets.length; k < 3; k++) await this.tap(page.getByRole('button', { name: 'One less' }));
    for (let k = 3; k < inlets.length; k++) await this.tap(page.getByRole('button', { name: 'One more' }));
    for (const [k, { area, ground, length, is }] of inlets.entries()) {
      if (is) await this.tap(page.getByRole('radio', { name: is }).nth(k));
      await this.type(page.getByTestId(`new-area-${k + 1}`), area);
      if (ground !== undefined) await this.type(page.getByTestId(`new-ground-${k + 1}`), ground);
      await this.type(page.getByTestId(`new-length-${k + 1}`), length);
    }
    if (out.how) await this.tap(page.getByRole('radio', { name: out.how, exact: true }));
    if (out.into) await this.tap(page.getByRole('radio', { name: out.into, exact: true }));
    await this.type(page.getByTestId('new-out'), out.level);
    if (out.over) await this.tap(page.getByRole('radio', { name: out.over, exact: true }));
    await this.tap(page.getByTestId('new-create'));
    await expect(page.getByTestId('verdict')).toBeVisible();
  }

  /** Goes to the yard's list. */
  async list(): Promise<void> {
    await this.tap(this.page.getByRole('link', { name: 'Yard', exact: true }));
    await expect(this.page.getByTestId('add')).toBeVisible();
  }

  /** Puts something in from the yard's list; its sheet is open then. */
  async add(stem: string, thing: Thing = {}): Promise<void> {
    const { page } = this;
    await this.tap(page.getByTestId('add'));
    await this.tap(page.getByRole('button', { name: begins(`${stem}: `) }));
    await lookedAt(page);
    await this.say(thing);
    await this.tap(page.getByTestId('put-in'));
    await lookedAt(page);
  }

  /** Says something on the sheet that is open. */
  async say({ fill = {}, choose = [], check = [] }: Thing): Promise<void> {
    const sheet = this.page.getByTestId('sheet');
    for (const name of choose) await this.tap(sheet.getByRole('radio', { name: begins(name) }).first());
    for (const name of check) await this.tap(sheet.getByRole('checkbox', { name, exact: true }));
    for (const [label, text] of Object.entries(fill))
      await this.type(sheet.getByRole('textbox', { name: label }).first(), text);
  }

  /** Presses a button of the sheet that is open, by its test id. */
  async press(testID: string): Promise<void> {
    await this.tap(this.page.getByTestId('sheet').getByTestId(testID));
    await lookedAt(this.page);
  }

  /** Opens a thing of the yard's list. */
  async open(name: string): Promise<void> {
    await this.tap(this.page.getByRole('button', { name: begins(`${name},`) }).first());
    await lookedAt(this.page);
  }

  /** Leads the thing whose sheet is open on to another, so long a pipe; the pipe's sheet is open then. */
  async lead(to: string, length: string): Promise<void> {
    await this.tap(this.page.getByTestId('sheet').getByRole('radio', { name: to, exact: true }));
    await lookedAt(this.page);
    await this.type(this.page.getByTestId('run-length'), length);
  }

  /** Opens a pipe on the plan. */
  async run(name: string): Promise<void> {
    await this.tap(this.page.getByRole('button', { name: begins(name) }).first());
    await lookedAt(this.page);
  }

  async close(): Promise<void> {
    await this.tap(this.page.getByRole('button', { name: 'Close' }));
    await lookedAt(this.page);
  }

  /** Puts the job on another side of a question, on the page of ways to build. */
  async way(question: string, side: string): Promise<void> {
    const { page } = this;
    await this.tap(page.getByRole('link', { name: 'Build', exact: true }));
    await this.tap(page.getByTestId('page-ways'));
    await lookedAt(page);
    await this.tap(page.getByRole('button', { name: question }).first());
    await this.tap(page.getByRole('radio', { name: begins(side) }).first());
    await lookedAt(page);
    await this.tap(page.getByRole('button', { name: 'All of Build' }));
    await lookedAt(page);
  }

  async fix(code: string): Promise<void> {
    await this.tap(this.page.getByRole('link', { name: 'Plan', exact: true }));
    await this.tap(this.page.getByTestId(`fix-${code}`).first());
    await lookedAt(this.page);
  }

  async holds(says: RegExp): Promise<void> {
    await expect(this.page.getByTestId('verdict')).toContainText(says);
  }

  /** Goes through Build to the end: parts, the price, the dig sheet; gives what is said of the parts. */
  async end(parts: readonly string[]): Promise<void> {
    const { page } = this;
    await this.tap(page.getByRole('link', { name: 'Build', exact: true }));
    await this.tap(page.getByTestId('page-part'));
    await lookedAt(page);
    const bought = async (): Promise<string> => (await page.getByTestId('build').innerText()).replaceAll(/\s+/g, ' ');
    for (const part of parts) await expect.poll(bought).toContain(part);
    await this.tap(page.getByRole('radio', { name: 'Price', exact: true }));
    await expect(page.getByTestId('build')).toContainText(/\$[\d,]{3,}/);
    await lookedAt(page);
    await this.tap(page.getByRole('radio', { name: 'Dig sheet', exact: true }));
    await expect(page.getByTestId('dig-station').first()).toBeVisible();
    console.log(`${this.title}: ${this.taps} taps, ${this.keys} keys`);
  }
}
