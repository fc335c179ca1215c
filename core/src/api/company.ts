/** What a company is called, how it builds and how it works: set once, printed on its offers, and taken over by its new jobs. */
import { z } from 'zod';
import { calendarSchema, waysSchema } from '../job/kinds/job';

/** Characters of a mark, as a data address: some 150 kB of picture. */
export const MOST_MARK = 200_000;

const line = z.string().trim().max(200);

export const companySchema = z
  .strictObject({
    name: line,
    address: line,
    phone: line,
    mail: line,
    licence: line,
    /** Its own conditions, in place of the usual ones: a paragraph a line. */
    terms: z.string().trim().max(6000),
    /** A picture of its own, PNG or JPEG. */
    mark: z
      .string()
      .max(MOST_MARK)
      .regex(/^data:image\/(png|jpeg);base64,[A-Za-z0-9+/]+=*$/),
    ways: waysSchema,
    calendar: calendarSchema,
    /** Sides of questions that are no way of building, by the question's name: what its new jobs begin with. */
    schools: z.record(z.string().min(1).max(40), z.string().min(1).max(40)),
  })
  .partial();
export type Company = z.infer<typeof companySchema>;

export const companyAnswerSchema = z.object({ company: companySchema });

/** What stands at the head of its papers, a line each; none where nobody has said. */
export function letterhead({ name, address, phone, mail, licence }: Company): string[] {
  return [
    ...(name ? [name] : []),
    ...(address ? [address] : []),
    ...[[phone, mail].filter((each) => each !== undefined && each !== '').join(' · ')].filter((each) => each !== ''),
    ...(licence ? [`Licence ${licence}`] : []),
  ];
}
