import { useEffect, useMemo, useReducer } from 'react';
import { type Forecast } from '../core/plan/forecast.ts';
import { type ForecastInput } from '../core/plan/standing.ts';
import { type Failure } from '../core/result/result.ts';
import type { Cover } from '../records/types.ts';
import { ask } from '../workers/core/client.ts';
import { aheadOf, forecastInput, observedOf } from '../questions/cover.ts';
import { PLAUSIBLE_YEARS } from '../questions/years.ts';
import { type Ring, useGarden } from './garden.tsx';

/** Forecasts by their question, so that going back to a screen computes nothing again. */
const known = new Map<string, Forecast>();
const failed = new Map<string, Failure>();
const KEPT = 400;

/** The whole question of a cover's forecast, weather measured and ahead included; empty for a cover without its bed. */
export function keyOf(ring: Ring, cover: Cover, years: number): string {
  const question = questionOf(ring, cover, years);
  return question ? JSON.stringify(question) : '';
}

function questionOf(ring: Ring, cover: Cover, years: number): ForecastInput | undefined {
  const bed = ring.beds.find((b) => b.id === cover.bedId);
  if (!bed) return undefined;
  return {
    ...forecastInput(ring.garden, bed, cover, ring.plantings, ring.looks, ring.today, years),
    observed: observedOf(ring.weather, cover, ring.today),
    ahead: aheadOf(ring.weather, ring.today),
  };
}

/** The same question for a glance at many covers: of the ways of ending only those that may be put forward, and the one that was chosen. */
function glanceOf(ring: Ring, cover: Cover, years: number): string {
  const question = questionOf(ring, cover, years);
  if (!question) return '';
  const methods = question.methods.filter(
    (m) => (m.missing.length === 0 && m.proposed !== false) || m.id === cover.method,
  );
  return JSON.stringify({ ...question, methods });
}

/** Forecasts of several covers at a glance, worked out off the main thread; covers are missing from the map until theirs is there. */
export const useForecasts = (covers: Cover[], years: number): Map<string, Forecast> =>
  useAsked(covers, years, glanceOf);

function useAsked(covers: Cover[], years: number, question: typeof keyOf): Map<string, Forecast> {
  const ring = useGarden();
  const keys = useMemo(
    () => covers.map((c) => [c.id, question(ring, c, years)] as const).filter(([, key]) => key !== ''),
    [ring, covers, years, question],
  );
  const [, heard] = useReducer((n: number) => n + 1, 0);
  useEffect(() => {
    const jobs = keys
      .filter(([, key]) => !known.has(key) && !failed.has(key))
      .map(([, key]) => {
        const job = ask('forecast', JSON.parse(key) as Parameters<typeof ask<'forecast'>>[1]);
        void job.answer.then((r) => {
          if (r.ok) {
            if (known.size >= KEPT) known.delete(known.keys().next().value!);
            known.set(key, r.value);
            heard();
          } else if (r.failure.code !== 'cancelled') {
            failed.set(key, r.failure);
            heard();
          }
        });
        return job;
      });
    return () => jobs.forEach((j) => j.cancel());
  }, [keys]);
  const found = new Map<string, Forecast>();
  for (const [id, key] of keys) {
    const forecast = known.get(key);
    if (forecast) found.set(id, forecast);
  }
  return found;
}

const NONE: Cover[] = [];

/** The forecast of one cover; undefined while it is not there yet. */
export function useForecast(
  cover: Cover | undefined,
  years = PLAUSIBLE_YEARS,
): { forecast: Forecast | undefined; failure: Failure | undefined } {
  const ring = useGarden();
  const covers = useMemo(() => (cover ? [cover] : NONE), [cover]);
  const found = useAsked(covers, years, keyOf);
  const forecast = cover && found.get(cover.id);
  return { forecast, failure: cover && !forecast ? failed.get(keyOf(ring, cover, years)) : undefined };
}

/** Finds a cover of the open garden with its bed. */
export function useCover(coverId: string | undefined) {
  const ring = useGarden();
  const cover = ring.covers.find((c) => c.id === coverId);
  const bed = cover && ring.beds.find((b) => b.id === cover.bedId);
  return { ...ring, cover, bed };
}
