import { useState } from 'react';
import { Link } from 'react-router';
import { isCut, isGrown } from '../../core/bed/pieces.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { showArea, showLength } from '../../core/units/show.ts';
import { joinBed } from '../../records/commands/pieces.ts';
import type { Bed } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { showIsoYear } from '../../ui/dates.ts';
import { DateField } from '../../ui/fields.tsx';
import { CutForm, USES } from './CutForm.tsx';

/** Pieces of a bed, or what it is a piece of; and the way to cut it or to make it whole. */
export function Pieces({ bed }: { bed: Bed }) {
  const { beds, today } = useGarden();
  const now = dayOf(today);
  const parent = beds.find((b) => b.id === bed.piece?.of);
  const pieces = beds.filter((b) => b.piece?.of === bed.id && (b.piece.until ?? '9999') > today);
  if (bed.piece)
    return (
      <>
        <p className="mt-3">
          {USES[bed.piece.use]}, a piece of{' '}
          <Link className="underline" to={`/bed/${bed.piece.of}`}>
            bed {parent?.name}
          </Link>{' '}
          since {showIsoYear(bed.piece.from)}
          {bed.piece.until && ` until ${showIsoYear(bed.piece.until)}`}.
        </p>
        {isGrown(bed) && bed.piece.until === null && bed.piece.from < today && <CutForm bed={bed} />}
      </>
    );
  return pieces.length > 0 ? (
    <Cut bed={bed} pieces={pieces} now={isCut(bed.id, beds, now)} />
  ) : (
    <CutForm bed={bed} />
  );
}

function Cut({ bed, pieces, now }: { bed: Bed; pieces: Bed[]; now: boolean }) {
  const { garden, today, hands, run } = useGarden();
  const [on, setOn] = useState(today);
  const [noDay, setNoDay] = useState(false);
  return (
    <section className="mt-3" aria-label="Pieces">
      <p>
        {now ? 'It is cut into pieces' : `It will be cut on ${showIsoYear(pieces[0]!.piece!.from)}`}; covers
        and crops go on these:
      </p>
      <ul className="mt-2">
        {pieces.map((p) => (
          <li key={p.id} className="border-linen flex flex-wrap items-baseline gap-x-4 border-t py-2">
            <Link className="font-display text-lg font-bold underline" to={`/bed/${p.id}`}>
              {p.name}
            </Link>
            <span>
              {p.width_m && p.length_m
                ? `${showLength(p.width_m, garden.units)} × ${showLength(p.length_m, garden.units)}, `
                : ''}
              {showArea(p.area_m2, garden.units)}
            </span>
            <span className="text-bark">{USES[p.piece!.use].toLowerCase()}</span>
          </li>
        ))}
      </ul>
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <DateField label="Whole again from" value={on} onChange={setOn} onWrong={setNoDay} />
        <button
          type="button"
          className="btn"
          disabled={noDay}
          onClick={() => void run(joinBed(hands, bed, on, today))}
        >
          Make bed {bed.name} whole
        </button>
      </div>
    </section>
  );
}
