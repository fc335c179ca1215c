/** Writes the table of kinds in docs/job-format.md anew from their own entries; what stands above its marker is kept. `--check` writes nothing and exits 1 where it would be another. */
import { ELEMENT_KINDS, kindOf, type ElementKind } from '@katabasis/core';
import { z } from 'zod';
import { writeBelow } from './below';

/** What a field's values are called where they are few words: `daylight`, `popup`. */
function valuesOf(field: z.ZodType): string {
  const inner = field instanceof z.ZodOptional ? (field.unwrap() as z.ZodType) : field;
  return inner instanceof z.ZodEnum ? inner.options.map((value) => `\`${value}\``).join(', ') : '';
}

function fieldsOf(kind: ElementKind): string {
  const { schema, notes = {} } = kindOf(kind);
  return Object.entries(schema.shape as Record<string, z.ZodType>)
    .filter(([field]) => field !== 'id' && field !== 'kind')
    .map(([field, type]) => {
      const about = notes[field] ?? valuesOf(type);
      return `${field}${type.safeParse(undefined).success ? '?' : ''}${about ? ` (${about})` : ''}`;
    })
    .join(', ');
}

const rows = ELEMENT_KINDS.map((kind) => `| \`${kind}\` | ${kindOf(kind).about} | ${fieldsOf(kind)} |`);
const head = ['| kind | what it is | its fields; `?` for those that may be left out |', '|---|---|---|'];
const check = process.argv.includes('--check');
const stood = writeBelow('job-format.md', 'job-format', [...head, ...rows], check);
if (check && !stood) process.exitCode = 1;
console.log(`${rows.length} kinds`);
