import { useEffect, useMemo, useState } from 'react';
import { type Forecast } from '../core/plan/forecast.ts';
import { type Failure } from '../core/result/result.ts';
import type { Cover } from '../records/types.ts';
import { ask } from '../workers/core/client.ts';
import { forecastInput } from './asked.ts';
import { useGarden } from './garden.tsx';

/** Forecasts by their question, so that going back to a screen computes nothing again. */
const known = new Map<string, Forecast>();
const KEPT = 120;

/** The forecast of a cover, worked out off the main thread; undefined while it is not there yet. */
export function useForecast(
  cover: Cover | undefined,
  years = 120,
): { forecast: Forecast | undefined; failure: Failure | undefined } {
  const { garden, beds, plantings, looks, weather, today } = useGarden();
  const input = useMemo(() => {
    const bed = cover && beds.find((b) => b.id === cover.bedId);
    if (!cover || !bed) return null;
    const observed = weather
      .flatMap((w) => w.days)
      .filter((d) => d.on >= (cover.sownOn ?? cover.sowOn) && d.on <= today);
    return {
      ...forecastInput(garden, bed, cover, plantings, looks, today, years),
      observed: observed.map((d): [number, number, number, number] => [
        Math.round(Date.parse(d.on) / 86_400_000),
        d.tmin_c,
        d.tmax_c,
        d.rain_mm,
      ]),
    };
  }, [cover, garden, beds, plantings, looks, weather, today, years]);
  const key = input ? JSON.stringify(input) : '';
  const [state, setState] = useState<{ key: string; forecast?: Forecast; failure?: Failure }>({ key: '' });
  useEffect(() => {
    if (!key || known.has(key)) return;
    const job = ask('forecast', JSON.parse(key) as NonNullable<typeof input>);
    void job.answer.then((r) => {
      if (r.ok) {
        if (known.size >= KEPT) known.delete(known.keys().next().value!);
        known.set(key, r.value);
        setState({ key, forecast: r.value });
      } else if (r.failure.code !== 'cancelled') setState({ key, failure: r.failure });
    });
    return () => job.cancel();
  }, [key]);
  return { forecast: known.get(key), failure: state.key === key ? state.failure : undefined };
}

/** Finds a cover of the open garden with its bed. */
export function useCover(coverId: string | undefined) {
  const ring = useGarden();
  const cover = ring.covers.find((c) => c.id === coverId);
  const bed = cover && ring.beds.find((b) => b.id === cover.bedId);
  return { ...ring, cover, bed };
}
