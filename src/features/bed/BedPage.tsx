import { changeBed, changePlanting, plantBack } from '../../records/commands/change.ts';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { coverTitle, cropOf, crops } from '../../catalogue/catalogue.ts';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { showArea, showLength } from '../../core/units/show.ts';
import { useGarden } from '../../ring/garden.tsx';
import { removeCover, removePlanting, savePlanting } from '../../records/verbs/verbs.ts';
import type { Planting } from '../../records/types.ts';
import { DateInput } from '../../ui/DateInput.tsx';
import { showIsoYear } from '../../ui/dates.ts';
import { DateField, SelectField } from '../../ui/fields.tsx';
import { Page } from '../../ui/parts.tsx';
import { isCut, isGrown } from '../../core/bed/pieces.ts';
import { BedGround } from './BedGround.tsx';
import { isLasting } from '../../core/strips/life.ts';
import { StripLife } from './StripLife.tsx';
import { OwnSeed, SelfSown } from './OwnSeed.tsx';
import { Pieces } from './Pieces.tsx';

/** One bed: what grows, what is planned, and the next step. */
export default function BedPage() {
  const { bedId } = useParams();
  const { beds, garden, plantings, covers, today, hands, run } = useGarden();
  const bed = beds.find((b) => b.id === bedId);
  const [cropId, setCropId] = useState('lettuce');
  const [from, setFrom] = useState(today);
  if (!bed) return <p className="p-6">This bed is not in the garden.</p>;
  const crop = cropOf(cropId);
  const cut = isCut(bed.id, beds, dayOf(today));
  const mine = plantings
    .filter((p) => p.bedId === bed.id)
    .sort((a, b) => (b.plantedOn ?? b.plantOn).localeCompare(a.plantedOn ?? a.plantOn));
  const stands = covers
    .filter((c) => c.bedId === bed.id)
    .sort((a, b) => (b.sownOn ?? b.sowOn).localeCompare(a.sownOn ?? a.sowOn));
  const ripening = stands.find((c) => c.sownOn && c.verdict !== 'dead');
  // Nothing is sown or planted on it from gap to gap, nor ever was.
  const lasts = isLasting(bed.piece?.use) && mine.length + stands.length === 0;
  const plan = () => {
    const planting: Planting = {
      id: hands.newId(),
      gardenId: garden.id,
      bedId: bed.id,
      cropId,
      way: crop.ways[0]!,
      plantOn: from,
      plantedOn: from <= today ? from : null,
      clearOn: isoOf(dayOf(from) + Math.round((crop.days[0] + crop.days[1]) / 2)),
      clearedOn: null,
      note: '',
    };
    void run(savePlanting(hands, planting));
  };
  const date = (label: string, value: string, set: (iso: string) => void) => (
    <span className="flex items-center gap-1 text-sm">
      <span aria-hidden="true">{label}</span>
      <DateInput label={label} className="input input-xs w-28!" value={value} onChange={set} />
    </span>
  );
  return (
    <Page
      title={`Bed ${bed.name}`}
      lead={`${showArea(bed.area_m2, garden.units)}${bed.width_m && bed.length_m ? `, ${showLength(bed.width_m, garden.units)} × ${showLength(bed.length_m, garden.units)}` : ''}, ${bed.soil.texture}, ${bed.soil.fertility}`}
    >
      {!cut && isGrown(bed) && (
        <Link className="btn btn-primary" to={`/bed/${bed.id}/choose`}>
          Choose a cover for bed {bed.name}
        </Link>
      )}
      {(cut || bed.piece) && <Pieces bed={bed} />}
      {bed.piece && isLasting(bed.piece.use) && <StripLife bed={bed} use={bed.piece.use} />}
      {bed.piece?.use === 'seed' && ripening && <OwnSeed bed={bed} cover={ripening} />}
      <SelfSown bed={bed} />
      {!lasts && <h2 className="font-display mt-6 text-xl font-bold">Covers</h2>}
      {!lasts && stands.length === 0 && <p>None yet. Choose one for the next gap.</p>}
      <ul>
        {stands.map((c) => (
          <li key={c.id} className="border-linen flex flex-wrap items-center gap-x-4 gap-y-1 border-t py-2">
            <b>{coverTitle(c)}</b>
            <span>{c.sownOn ? `sown ${showIsoYear(c.sownOn)}` : `to sow ${showIsoYear(c.sowOn)}`}</span>
            {c.verdict === 'dead' && <span>dead {showIsoYear(c.endedOn!)}</span>}
            <Link
              className="underline"
              to={`/cover/${c.id}/${!c.sownOn ? 'seed' : c.verdict === 'dead' ? 'plant' : 'look'}`}
            >
              Go on
            </Link>
            <button
              type="button"
              className="btn btn-ghost btn-xs ml-auto"
              onClick={() => void run(removeCover(hands, c))}
            >
              Take away
            </button>
          </li>
        ))}
      </ul>
      {!lasts && <h2 className="font-display mt-6 text-xl font-bold">Crops</h2>}
      <ul>
        {mine.map((p) => (
          <li key={p.id} className="border-linen flex flex-wrap items-center gap-x-4 gap-y-1 border-t py-2">
            <b>{cropOf(p.cropId).name}</b>
            {p.plantedOn
              ? date(
                  'planted',
                  p.plantedOn,
                  (iso) => void run(changePlanting(hands, p, 'save-planting', () => ({ plantedOn: iso }))),
                )
              : date(
                  'to plant',
                  p.plantOn,
                  (iso) => void run(changePlanting(hands, p, 'save-planting', () => ({ plantOn: iso }))),
                )}
            {p.clearedOn
              ? date(
                  'cleared',
                  p.clearedOn,
                  (iso) => void run(changePlanting(hands, p, 'save-planting', () => ({ clearedOn: iso }))),
                )
              : date(
                  'to clear',
                  p.clearOn,
                  (iso) => void run(changePlanting(hands, p, 'save-planting', () => ({ clearOn: iso }))),
                )}
            {!p.plantedOn && (
              <button
                type="button"
                className="btn btn-xs"
                onClick={() => void run(plantBack(hands, p, today))}
              >
                Planted today
              </button>
            )}
            {p.plantedOn && !p.clearedOn && (
              <button
                type="button"
                className="btn btn-xs"
                onClick={() => void run(changePlanting(hands, p, 'clear', () => ({ clearedOn: today })))}
              >
                Cleared today
              </button>
            )}
            <button
              type="button"
              className="btn btn-ghost btn-xs ml-auto"
              onClick={() => void run(removePlanting(hands, p))}
            >
              Take away
            </button>
          </li>
        ))}
      </ul>
      {!cut && isGrown(bed) && (
        <form
          className="border-warp mt-3 grid max-w-2xl gap-3 border-t pt-3 sm:grid-cols-3"
          onSubmit={(e) => {
            e.preventDefault();
            plan();
          }}
        >
          <SelectField
            label="Crop"
            value={cropId}
            options={crops.map((c) => [c.id, c.name] as const)}
            onChange={setCropId}
          />
          <DateField label="Planted or to plant on" value={from} onChange={setFrom} />
          <button type="submit" className="btn btn-sm self-end">
            Put this crop on bed {bed.name}
          </button>
        </form>
      )}
      {!cut && !bed.piece && <Pieces bed={bed} />}
      <BedGround bed={bed} save={(patch) => void run(changeBed(hands, bed, patch))} />
    </Page>
  );
}
