import { type ReactNode } from 'react';
import { type Sample } from '../../core/choose/sample.ts';
import { showPerArea } from '../../core/units/show.ts';
import type { Bed, Cover, Garden } from '../../records/types.ts';
import { seedCost, seedNeeded, weightsOf } from '../../questions/weights.ts';
import { showDay } from '../../ui/dates.ts';
import { METHOD_SHORT } from '../../ui/methodWords.ts';
import { Odds } from '../../ui/parts.tsx';
import { Term } from '../../ui/Term.tsx';
import { type TermId } from '../../ui/terms.ts';
import { COLUMN, LEFT } from './Samples.tsx';

interface Props {
  samples: Sample[];
  chosenId: string | null;
  garden: Garden;
  bed: Bed;
  coverOf(sample: Sample): Cover;
  years: number;
}

/** The figures below the hanging samples, column under column. */
export function Figures({ samples, chosenId, garden, bed, coverOf, years }: Props) {
  const rows: [string, (s: Sample) => ReactNode, TermId?][] = [
    ['Out of the way in time', (s) => <Odds odds={s.best?.odds.inTime ?? 0} />, 'odds'],
    ['Ends by', (s) => (s.best ? `${METHOD_SHORT[s.best.method]}, ${showDay(s.best.startDay)}` : 'no way')],
    ['Ground closed', (s) => showDay(s.stand.closed.mid), 'closed'],
    [
      'Nitrogen for it, above bare ground',
      (s) => showPerArea(s.best?.nitrogen_g_m2.mid ?? 0, garden.units),
      'nitrogen',
    ],
    ['Weeds held', (s) => <Odds odds={s.best?.weedsHeld.mid ?? 0} />, 'weeds'],
    ['Residue at planting', (s) => showPerArea(s.best?.residue_g_m2.mid ?? 0, garden.units), 'residue'],
    ['Work', (s) => minutes(((s.best?.minutesPer100m2 ?? 0) * bed.area_m2) / 100)],
    [
      'Seed cost',
      (s) => (seedNeeded(coverOf(s)) ? cost(garden, weightsOf(coverOf(s), bed)) : 'its own seed'),
    ],
  ];
  return (
    <table className="text-sm" style={{ width: LEFT + samples.length * COLUMN, tableLayout: 'fixed' }}>
      <caption className="sr-only">Figures of each sample, middle of {years} years</caption>
      <colgroup>
        <col style={{ width: LEFT }} />
      </colgroup>
      <tbody>
        {rows.map(([label, show, term]) => (
          <tr key={label}>
            <th scope="row" className="pt-2 pr-1 text-left align-top text-xs leading-tight font-normal">
              {term ? <Term id={term}>{label}</Term> : label}
            </th>
            {samples.map((s) => (
              <td
                key={s.id}
                className={`px-2 pt-2 text-center align-top ${s.id === chosenId ? 'bg-paper font-bold' : ''}`}
              >
                {show(s)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const minutes = (m: number): string =>
  m < 1 ? '0' : m < 90 ? `${Math.round(m)} min` : `${(m / 60).toFixed(1)} h`;

function cost(garden: Garden, grams: { speciesId: string; weigh_g: number }[]): string {
  const c = seedCost(garden, grams);
  return `${c.guessed ? 'guess ' : ''}${garden.currency}${c.cost.toFixed(2)}`;
}
