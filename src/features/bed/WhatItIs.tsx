import { useState } from 'react';
import { type LastingUse, type StripLife as Life } from '../../core/strips/life.ts';
import { showSeed } from '../../core/units/show.ts';
import { SHEET_SORTS } from '../../core/work/things.ts';
import { GRASS, pathKinds, USUAL_LOW_CM } from '../../questions/strips.ts';
import { setStrip } from '../../records/commands/strips.ts';
import type { Bed } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';
import { DateField, SelectField, TextField } from '../../ui/fields.tsx';
import { FILM_WORDS } from '../../ui/stripWords.ts';
import { capital } from '../../ui/text.ts';

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

/** Asks what a strip is, since when, and for how long. */
export function WhatItIs({ bed, use }: { bed: Bed; use: LastingUse }) {
  const { garden, hands, run } = useGarden();
  const [said, setSaid, clear] = useDraft<Said>(`strip ${bed.id}`, saidOf(bed, use));
  const [problem, setProblem] = useState('');
  if (!said) return null;
  const set = (part: Partial<Said>) => setSaid({ ...said, ...part });
  const kind = pathKinds.find((s) => s.id === said.what);
  const save = async () => {
    const life = lifeOf(said, use);
    if (typeof life === 'string') return setProblem(life);
    setProblem('');
    if (await run(setStrip(hands, bed, life))) clear();
  };
  return (
    <details className="mt-4" open={!bed.life}>
      <summary className="font-display cursor-pointer text-lg font-bold">
        {bed.life ? 'What it is' : 'Say what it is, and Kilim says what it wants'}
      </summary>
      <form
        className="mt-2 grid max-w-3xl items-end gap-3 sm:grid-cols-3"
        onSubmit={(e) => {
          e.preventDefault();
          void save();
        }}
      >
        {use === 'path' && (
          <SelectField
            label="Grown with"
            value={said.what}
            options={[
              ...pathKinds.map((s) => [s.id, s.name] as const),
              [GRASS, 'Grass and herbs that come by themselves'],
            ]}
            onChange={(what) => set({ what })}
          />
        )}
        {use === 'film' && (
          <SelectField
            label="Sort"
            value={said.what}
            options={SHEET_SORTS.map((s) => [s, capital(FILM_WORDS[s])] as const)}
            onChange={(what) => set({ what, years: FILM_YEARS[what] ?? said.years })}
          />
        )}
        {use === 'kept' && <TextField label="Plant" value={said.what} onChange={(what) => set({ what })} />}
        <DateField
          label={{ path: 'Sown on', film: 'Laid on', kept: 'Planted on' }[use]}
          value={said.since}
          onChange={(since) => set({ since })}
        />
        <TextField
          label={use === 'film' ? 'Lasts, years' : 'Meant to stay, years'}
          value={said.years}
          onChange={(years) => set({ years })}
          decimal
        />
        {use === 'path' && (
          <TextField
            label="Mown down to, cm"
            value={said.low}
            onChange={(low) => set({ low })}
            decimal
            hint={
              kind && `Seed for it: ${showSeed(kind.seed.rateBroadcastHigh_g_m2 * bed.area_m2, garden.units)}`
            }
          />
        )}
        {use === 'film' && (
          <>
            <TextField
              label="Holes across, cm"
              value={said.across}
              onChange={(across) => set({ across })}
              decimal
            />
            <TextField
              label="One every, cm"
              value={said.apart}
              onChange={(apart) => set({ apart })}
              decimal
            />
          </>
        )}
        <button type="submit" className="btn btn-primary">
          Keep this
        </button>
      </form>
      {problem && (
        <p role="alert" className="text-madder mt-2 font-semibold">
          {problem}
        </p>
      )}
    </details>
  );
}
