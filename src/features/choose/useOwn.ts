import { type Day } from '../../core/calendar/day.ts';
import { useEffect, useMemo, useState } from 'react';
import { coverName, membersOf } from '../../catalogue/catalogue.ts';
import { type ChooseInput } from '../../core/choose/input.ts';
import { type Sample } from '../../core/choose/sample.ts';
import { useLive } from '../../ring/useLive.ts';

/** A sample as the gardener has altered it. */
export interface Own {
  parts: { speciesId: string; share: number }[];
  rateTimes: number;
  sowDay: Day;
  /** Undefined leaves the way of ending to the core. */
  method?: string;
  endDay?: Day;
}

export const OWN_ID = 'own';
/** Years while a hand is on the slider; the whole number is asked once it has rested. */
const QUICK_YEARS = 60;
const REST_MS = 250;

const questionFor = (question: ChooseInput, own: Own, years: number): ChooseInput => ({
  ...question,
  years: Math.min(years, question.years),
  candidates: [
    {
      id: OWN_ID,
      name: `Yours: ${coverName(own.parts).toLowerCase()}`,
      members: membersOf(own.parts),
      rateTimes: own.rateTimes,
      sowDay: own.sowDay,
      method: own.method,
      endDay: own.endDay,
    },
  ],
});

/** The gardener's own sample, answered while it is being altered. */
export function useOwn(question: ChooseInput | null) {
  const [own, setOwn] = useState<Own | null>(null);
  const [rested, setRested] = useState(false);
  useEffect(() => {
    setRested(false);
    const timer = setTimeout(() => setRested(true), REST_MS);
    return () => clearTimeout(timer);
  }, [own, question]);
  const input = useMemo(
    () => (own && question ? questionFor(question, own, rested ? question.years : QUICK_YEARS) : null),
    [own, question, rested],
  );
  return { own, setOwn, sample: useLive('sample', input) };
}

/** A sample taken over to be altered. */
export const ownFrom = (s: Sample): Own => ({
  parts: s.parts,
  rateTimes: s.rateTimes,
  sowDay: s.sowDay,
  method: s.best?.method,
});
