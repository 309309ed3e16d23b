import { useState } from 'react';
import { climates } from '../../catalogue/catalogue.ts';
import { dayOf, dayOfYear, isoOf } from '../../core/calendar/day.ts';
import { type Result, fail, ok } from '../../core/result/result.ts';
import { siteFromDaily } from '../../core/climate/observed.ts';
import { type Site } from '../../core/site/site.ts';
import { type ObservedDay } from '../../core/weather/generate.ts';
import { showDay } from '../../ui/dates.ts';
import { ask } from '../../workers/core/client.ts';
import { type Place } from '../../catalogue/places.ts';
import { placeName } from './PlaceField.tsx';
import { NO_NORMALS, type TypedNormals } from './NormalsFields.tsx';

export type Way = 'place' | 'questions' | 'pattern' | 'normals' | 'file';
type Fitted = Result<{ site: Site; from: string }>;

const MM_PER_INCH = 25.4;
const number = (text: string): number => (text.trim() === '' ? Number.NaN : Number(text));

/** The four ways to tell Kilim a climate, as typed, and the site that comes of them. */
export function useClimate(imperial: boolean) {
  const [way, setWay] = useState<Way>('place');
  const [latitude, setLatitude] = useState('');
  const [lastFrost, setLastFrost] = useState('');
  const [firstFrost, setFirstFrost] = useState('');
  const [noFrost, setNoFrost] = useState(false);
  const [coldest, setColdest] = useState('');
  const [afternoon, setAfternoon] = useState('');
  const [patternId, setPatternId] = useState(climates[0]!.id);
  const [normals, setNormals] = useState<TypedNormals>(NO_NORMALS);
  const [place, setPlace] = useState<Place | null>(null);
  const [coastal, setCoastal] = useState(false);
  const [days, setDays] = useState<ObservedDay[] | null>(null);
  const toC = (t: string) => (imperial ? (number(t) - 32) / 1.8 : number(t));

  function fromFile(latitude_deg: number): Fitted {
    const fit = siteFromDaily(latitude_deg, days ?? [], false);
    if (!fit.ok) return fit;
    const r = fit.value.report;
    return ok({
      site: fit.value.site,
      from: `Measured: ${r.days} days from ${r.from} to ${r.to}, ${r.gaps} days missing.`,
    });
  }
  async function fromPattern(latitude_deg: number): Promise<Fitted> {
    const fit = await ask('fitPattern', { patternId, latitude_deg }).answer;
    const name = climates.find((c) => c.id === patternId)!.name;
    return fit.ok ? ok({ site: fit.value, from: `Climate pattern: ${name}.` }) : fit;
  }
  async function fromNormals(latitude_deg: number): Promise<Fitted> {
    const fit = await ask('fitNormals', {
      latitude_deg,
      coastal,
      tmax_c: normals.high.map(toC),
      tmin_c: normals.low.map(toC),
      rain_mm: normals.rain.map((t) => number(t) * (imperial ? MM_PER_INCH : 1)),
      coldestNight_c: coldest.trim() === '' ? null : toC(coldest),
    }).answer;
    if (!fit.ok) return fit;
    return fit.value.ok ? ok({ site: fit.value.value, from: 'Monthly normals, typed in.' }) : fit.value;
  }
  async function fromPlace(): Promise<Fitted> {
    if (!place) return fail('place-missing');
    const fit = await ask('fitNormals', place).answer;
    if (!fit.ok) return fit;
    return fit.value.ok
      ? ok({ site: fit.value.value, from: `Like ${placeName(place)}: approximate monthly figures.` })
      : fit.value;
  }
  async function fromQuestions(latitude_deg: number): Promise<Fitted> {
    const doy = (iso: string) => (noFrost || !iso ? null : dayOfYear(dayOf(iso)));
    if (!noFrost && (!lastFrost || !firstFrost)) return fail('date-missing', 'the frosts');
    if (coldest === '' || afternoon === '') return fail('site-range');
    const fit = await ask('fitQuestions', {
      latitude_deg,
      lastFrost_doy: doy(lastFrost),
      firstFrost_doy: doy(firstFrost),
      coldestNight_c: toC(coldest),
      summerAfternoon_c: toC(afternoon),
    }).answer;
    if (!fit.ok) return fit;
    if (!fit.value.ok) return fit.value;
    const { site, rainFrom, gaveBack } = fit.value.value;
    const day = (d: number | undefined) =>
      d === undefined ? 'none' : showDay(dayOf(isoOf(dayOf('2024-01-01') + d)));
    return ok({
      site,
      from: `Four questions. The fitted years give back last frost ${day(gaveBack.lastFrost_doy)}, first frost ${day(gaveBack.firstFrost_doy)}, coldest night ${Math.round(gaveBack.coldestNight_c)} °C. Rain is taken from the pattern "${rainFrom}".`,
    });
  }

  async function fitted(): Promise<Fitted> {
    if (way === 'place') return fromPlace();
    const latitude_deg = number(latitude);
    if (!(Math.abs(latitude_deg) <= 66)) return fail('latitude-range');
    const make = { file: fromFile, pattern: fromPattern, normals: fromNormals, questions: fromQuestions };
    return make[way](latitude_deg);
  }

  return {
    way,
    setWay,
    latitude,
    setLatitude,
    lastFrost,
    setLastFrost,
    firstFrost,
    setFirstFrost,
    noFrost,
    setNoFrost,
    coldest,
    setColdest,
    afternoon,
    setAfternoon,
    patternId,
    setPatternId,
    normals,
    setNormals,
    coastal,
    setCoastal,
    place,
    setPlace,
    days,
    setDays,
    fitted,
  };
}

export type Climate = ReturnType<typeof useClimate>;
