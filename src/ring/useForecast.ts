import { useMemo } from 'react';
import { unknownKinds } from '../catalogue/catalogue.ts';
import { type Forecast } from '../core/forecast/forecast.ts';
import { type ForecastInput } from '../core/plan/standing.ts';
import { type Failure } from '../core/result/result.ts';
import type { Cover } from '../records/types.ts';
import { aheadOf, forecastInput, observedOf } from '../questions/cover.ts';
import { PLAUSIBLE_YEARS } from '../questions/years.ts';
import { useAfterPaint } from './afterPaint.ts';
import { useAnswer, useAnswers } from './answers.ts';
import { type Ring, useGarden } from './garden.tsx';

/** The whole question of a cover's forecast, weather measured and ahead included; empty for a cover without its bed. */
export function keyOf(ring: Ring, cover: Cover, years: number): string {
  const question = questionOf(ring, cover, years);
  return question ? JSON.stringify(question) : '';
}

function questionOf(ring: Ring, cover: Cover, years: number): ForecastInput | undefined {
  const bed = ring.beds.find((b) => b.id === cover.bedId);
  if (!bed || unknownKinds(cover.parts).length > 0) return undefined;
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

/**
 * Forecasts of several covers at a glance, worked out off the main thread; covers are missing from the map until theirs is there. Asked once the
 * screen is drawn: it never waits for its own questions.
 */
export function useForecasts(covers: Cover[], years: number): Map<string, Forecast> {
  const ring = useGarden();
  const painted = useAfterPaint();
  const texts = useMemo(
    () => (painted ? covers.map((c) => glanceOf(ring, c, years)) : []),
    [ring, covers, years, painted],
  );
  const all = useAnswers('forecast', texts);
  return useMemo(
    () =>
      new Map(
        covers.flatMap((c, i) => {
          const forecast = all[i]?.answer;
          return forecast ? [[c.id, forecast] as const] : [];
        }),
      ),
    [covers, all],
  );
}

/** The forecast of one cover; undefined while it is not there yet. */
export function useForecast(
  cover: Cover | undefined,
  years = PLAUSIBLE_YEARS,
): { forecast: Forecast | undefined; failure: Failure | undefined } {
  const ring = useGarden();
  const text = useMemo(() => (cover ? keyOf(ring, cover, years) : ''), [ring, cover, years]);
  const { answer, failure } = useAnswer('forecast', text);
  const unknown = cover ? unknownKinds(cover.parts) : [];
  return {
    forecast: answer,
    failure: unknown.length > 0 ? { code: 'kind-unknown', where: unknown.join(', ') } : failure,
  };
}

/** Finds a cover of the open garden with its bed. */
export function useCover(coverId: string | undefined) {
  const ring = useGarden();
  const cover = ring.covers.find((c) => c.id === coverId);
  const bed = cover && ring.beds.find((b) => b.id === cover.bedId);
  return { ...ring, cover, bed };
}
