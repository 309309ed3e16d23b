import { z } from 'zod';
import { type LastingUse, type StripLife as Life } from '../../core/strips/life.ts';
import { showSeed } from '../../core/units/show.ts';
import { SHEET_SORTS } from '../../core/work/things.ts';
import { GRASS, pathKinds, USUAL_LOW_CM } from '../../questions/strips.ts';
import { setStrip } from '../../records/commands/strips.ts';
import type { Bed } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { DateField, SelectField, TextField } from '../../ui/fields.tsx';
import { FILM_WORDS } from '../../ui/stripWords.ts';
import { capital } from '../../ui/text.ts';
import { useKeptForm } from '../../ring/useKeptForm.ts';

/** What was said of a strip, as it was typed. */
interface Said {
  what: string;
  since: string;
  years: string;
  low: string;
  across: string;
  apart: string;
}

/** Years that each sort of film lies, usual; recalled. */
const FILM_YEARS: Record<string, string> = { film: '2', woven: '10', rubber: '15' };

const saidOf = (bed: Bed, use: LastingUse): Said => ({
  what: bed.life?.what ?? { path: 'white-clover', film: 'woven', kept: '' }[use],
  since: bed.life?.since ?? bed.piece!.from,
  years: bed.life ? (bed.life.years === null ? '' : String(bed.life.years)) : use === 'film' ? '10' : '',
  low: String(bed.life?.low_cm ?? USUAL_LOW_CM),
  across: bed.life?.holes ? String(bed.life.holes.across_cm) : '',
  apart: bed.life?.holes ? String(bed.life.holes.apart_cm) : '',
});

const numberOf = (text: string): number => Number(text.trim().replace(',', '.'));

/** What was typed, as the record keeps it; or what is wrong with it. */
export function lifeOf(said: Said, use: LastingUse): Omit<Life, 'done'> | string {
  const what = said.what.trim();
  if (what === '') return 'Say which plant stays there.';
  const years = said.years.trim() === '' ? null : numberOf(said.years);
  if (years !== null && !(years > 0 && years <= 100))
    return 'Years are a number from 1 to 100, or left empty.';
  const life = { what, since: said.since, years };
  if (use === 'path') {
    const low_cm = numberOf(said.low);
    return low_cm >= 1 && low_cm <= 30
      ? { ...life, low_cm }
      : 'A mower leaves between 1 and 30 cm; clover and grass come again from 5 or more.';
  }
  if (use !== 'film' || said.across.trim() + said.apart.trim() === '') return life;
  const [across_cm, apart_cm] = [numberOf(said.across), numberOf(said.apart)];
  return across_cm > 0 && across_cm <= 100 && apart_cm >= across_cm && apart_cm <= 500
    ? { ...life, holes: { across_cm, apart_cm } }
    : 'Holes have a width and a distance in centimetres, the distance the larger; or leave both empty.';
}

const stripForm = (use: LastingUse) =>
  z
    .object({
      what: z.string(),
      since: z.string(),
      years: z.string(),
      low: z.string(),
      across: z.string(),
      apart: z.string(),
    })
    .transform((said, ctx) => {
      const life = lifeOf(said, use);
      if (typeof life !== 'string') return life;
      ctx.addIssue({ code: 'custom', path: [wrongField(said, use)], message: life });
      return z.NEVER;
    });

/** The field that stands for what is wrong. */
function wrongField(said: Said, use: LastingUse): keyof Said {
  if (said.what.trim() === '') return 'what';
  if (said.years.trim() !== '' && !(numberOf(said.years) > 0 && numberOf(said.years) <= 100)) return 'years';
  return use === 'path' ? 'low' : 'apart';
}

/** Asks what a strip is, since when, and for how long. */
export function WhatItIs({ bed, use }: { bed: Bed; use: LastingUse }) {
  const { garden, hands, run } = useGarden();
  const form = useKeptForm(`strip ${bed.id}`, stripForm(use), saidOf(bed, use), (life) =>
    run(setStrip(hands, bed, life)),
  );
  if (!form) return null;
  const kind = pathKinds.find((s) => s.id === form.typed.what);
  return (
    <details className="mt-4" open={!bed.life}>
      <summary className="font-display cursor-pointer text-lg font-bold">
        {bed.life ? 'What it is' : 'Say what it is, and Kilim says what it wants'}
      </summary>
      <form className="mt-2 grid max-w-3xl items-end gap-3 sm:grid-cols-3" onSubmit={form.onSubmit}>
        {use === 'path' && (
          <SelectField
            label="Grown with"
            options={[
              ...pathKinds.map((s) => [s.id, s.name] as const),
              [GRASS, 'Grass and herbs that come by themselves'],
            ]}
            {...form.field('what')}
          />
        )}
        {use === 'film' && (
          <SelectField
            label="Sort"
            options={SHEET_SORTS.map((s) => [s, capital(FILM_WORDS[s])] as const)}
            value={form.typed.what}
            onChange={(what) => form.set({ what, years: FILM_YEARS[what] ?? form.typed.years })}
          />
        )}
        {use === 'kept' && <TextField label="Plant" {...form.field('what')} />}
        <DateField
          label={{ path: 'Sown on', film: 'Laid on', kept: 'Planted on' }[use]}
          {...form.field('since')}
        />
        <TextField
          label={use === 'film' ? 'Lasts, years' : 'Meant to stay, years'}
          {...form.field('years')}
          decimal
        />
        {use === 'path' && (
          <TextField
            label="Mown down to, cm"
            {...form.field('low')}
            decimal
            hint={
              kind && `Seed for it: ${showSeed(kind.seed.rateBroadcastHigh_g_m2 * bed.area_m2, garden.units)}`
            }
          />
        )}
        {use === 'film' && (
          <>
            <TextField label="Holes across, cm" {...form.field('across')} decimal />
            <TextField label="One every, cm" {...form.field('apart')} decimal />
          </>
        )}
        <button type="submit" className="btn btn-primary">
          Keep this
        </button>
      </form>
    </details>
  );
}
