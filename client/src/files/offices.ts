/** What the Build station asks of the server: the stand-in offices, the company's price books, pages for others. */
import {
  acceptedSchema,
  locateAnswersSchema,
  priceBooksSchema,
  sharedSchema,
  sharesSchema,
  weatherSchema,
  companyAnswerSchema,
  type Accepted,
  type Audience,
  type Company,
  type LocateAnswer,
  type LocateTicket,
  type PriceBook,
  type Share,
  type Weather,
} from '@katabasis/core';
import { useQuery, useQueryClient, type UseQueryResult } from '@tanstack/react-query';
import { useState } from 'react';
import { read } from '../sync/api';
import { ask } from '../sync/ask';

const companyNow = async (): Promise<Company> => (await read(companyAnswerSchema, ask('GET', '/company'))).company;

/** Changes of the company go one after another: each is made on what the one before has left. */
let lastChange: Promise<unknown> = Promise.resolve();

export const offices = {
  locate: async (ticket: LocateTicket): Promise<void> => void (await ask('POST', '/locate', ticket)),
  locateAnswers: async (ticket: string, on: string): Promise<LocateAnswer[]> =>
    (await read(locateAnswersSchema, ask('GET', `/locate/${ticket}?on=${on}`))).answers,
  /** Rain of a day, mm; null where nobody knows. */
  rainOn: async (day: string): Promise<number | null> =>
    (await read(weatherSchema, ask('GET', `/weather?from=${day}`))).days.find((each) => each.day === day)?.rain ?? null,
  keepBook: async (book: PriceBook): Promise<void> => void (await ask('POST', '/books', book)),
  /** Changes the company as it stands at the server: what another device said of it meanwhile stays. Gives it as it is then. */
  changeCompany: (change: (now: Company) => Company): Promise<Company> => {
    const own = lastChange
      .catch(() => undefined)
      .then(async () => {
        const next = change(await companyNow());
        await ask('PUT', '/company', next);
        return next;
      });
    lastChange = own;
    return own;
  },
  /** `days`: after so many it leads nowhere any more. */
  share: async (job: string, audience: Audience, days: number | null): Promise<string> =>
    (await read(sharedSchema, ask('POST', `/jobs/${job}/shares`, { audience, ...(days === null ? {} : { days }) })))
      .link,
  accepted: (job: string): Promise<Accepted> => read(acceptedSchema, ask('GET', `/jobs/${job}/accepted`)),
  answer: async (job: string, number: number, answer: string): Promise<void> =>
    void (await ask('PUT', `/jobs/${job}/accepted/comments/${number}`, { answer })),
  withdrawShare: async (job: string, id: string): Promise<void> =>
    void (await ask('DELETE', `/jobs/${job}/shares/${id}`)),
};

/** Put by on the device: the last that was told stands while the office is out of reach. */
export const useWeather = (from: string): UseQueryResult<Weather[]> =>
  useQuery({
    queryKey: ['weather', from],
    queryFn: async () => (await read(weatherSchema, ask('GET', `/weather?from=${from}`))).days,
    staleTime: 3600_000,
  });

export const acceptedKey = (job: string): readonly ['accepted', string] => ['accepted', job];

export const BOOKS_KEY = ['books'];
export const useBooks = (): UseQueryResult<PriceBook[]> =>
  useQuery({ queryKey: BOOKS_KEY, queryFn: async () => (await read(priceBooksSchema, ask('GET', '/books'))).books });

export const COMPANY_KEY = ['company'];
export const useCompany = (): UseQueryResult<Company> =>
  useQuery({
    queryKey: COMPANY_KEY,
    queryFn: companyNow,
  });

/** A way to change the company from a page, and what the server said where it did not go. */
export function useChangeCompany(): [change: (by: (now: Company) => Company) => Promise<void>, said: string | null] {
  const queries = useQueryClient();
  const [said, setSaid] = useState<string | null>(null);
  const change = async (by: (now: Company) => Company): Promise<void> => {
    setSaid(null);
    try {
      queries.setQueryData(COMPANY_KEY, await offices.changeCompany(by));
    } catch (error) {
      setSaid((error as Error).message);
    }
  };
  return [change, said];
}

export const sharesKey = (job: string): readonly string[] => ['shares', job];
export const useShares = (job: string): UseQueryResult<Share[]> =>
  useQuery({
    queryKey: sharesKey(job),
    queryFn: async () => (await read(sharesSchema, ask('GET', `/jobs/${job}/shares`))).shares,
  });
