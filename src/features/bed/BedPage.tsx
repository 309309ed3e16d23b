import { changeBed, changePlanting, plantBack } from '../../records/commands/change.ts';
import { z } from 'zod';
import { Link, useParams } from 'react-router';
import { coverTitle, cropOf, crops } from '../../catalogue/catalogue.ts';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { showArea, showLength } from '../../core/units/show.ts';
import { useGarden } from '../../ring/garden.tsx';
import { removeCover, removePlanting, savePlanting } from '../../records/verbs/verbs.ts';
import type { Bed, Cover, Planting } from '../../records/types.ts';
import { useKeptForm } from '../../ring/useKeptForm.ts';
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
  if (!bed) return <p className="p-6">This bed is not in the garden.</p>;
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
  const sides =
    bed.width_m && bed.length_m
      ? `, ${showLength(bed.width_m, garden.units)} × ${showLength(bed.length_m, garden.units)}`
      : '';
  return (
    <Page
      title={`Bed ${bed.name}`}
      lead={`${showArea(bed.area_m2, garden.units)}${sides}, ${bed.soil.texture}, ${bed.soil.fertility}`}
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
          <CoverLine key={c.id} cover={c} />
        ))}
      </ul>
      {!lasts && <h2 className="font-display mt-6 text-xl font-bold">Crops</h2>}
      <ul>
        {mine.map((p) => (
          <CropLine key={p.id} planting={p} />
        ))}
      </ul>
      {!cut && isGrown(bed) && <NewCrop bed={bed} />}
      {!cut && !bed.piece && <Pieces bed={bed} />}
      <BedGround bed={bed} save={(patch) => void run(changeBed(hands, bed, patch))} />
    </Page>
  );
}

const LINE = 'border-linen flex flex-wrap items-center gap-x-4 gap-y-1 border-t py-2';

function CoverLine({ cover }: { cover: Cover }) {
  const { hands, run } = useGarden();
  const dead = cover.verdict === 'dead';
  return (
    <li className={LINE}>
      <b>{coverTitle(cover)}</b>
      <span>{cover.sownOn ? `sown ${showIsoYear(cover.sownOn)}` : `to sow ${showIsoYear(cover.sowOn)}`}</span>
      {dead && <span>dead {showIsoYear(cover.endedOn!)}</span>}
      <Link
        className="underline"
        to={`/cover/${cover.id}/${!cover.sownOn ? 'seed' : dead ? 'plant' : 'look'}`}
      >
        Go on
      </Link>
      <button
        type="button"
        className="btn btn-ghost btn-xs ml-auto"
        onClick={() => void run(removeCover(hands, cover))}
      >
        Take away
      </button>
    </li>
  );
}

/** A day of a planting that can be put right where it stands. */
function DayOf({
  planting,
  label,
  field,
}: {
  planting: Planting;
  label: string;
  field: 'plantedOn' | 'plantOn' | 'clearedOn' | 'clearOn';
}) {
  const { hands, run } = useGarden();
  return (
    <span className="flex items-center gap-1 text-sm">
      <span aria-hidden="true">{label}</span>
      <DateInput
        label={label}
        className="input input-xs w-28!"
        value={planting[field]!}
        onChange={(iso) =>
          void run(changePlanting(hands, planting, 'save-planting', () => ({ [field]: iso })))
        }
      />
    </span>
  );
}

function CropLine({ planting: p }: { planting: Planting }) {
  const { today, hands, run } = useGarden();
  return (
    <li className={LINE}>
      <b>{cropOf(p.cropId).name}</b>
      {p.plantedOn ? (
        <DayOf planting={p} label="planted" field="plantedOn" />
      ) : (
        <DayOf planting={p} label="to plant" field="plantOn" />
      )}
      {p.clearedOn ? (
        <DayOf planting={p} label="cleared" field="clearedOn" />
      ) : (
        <DayOf planting={p} label="to clear" field="clearOn" />
      )}
      {!p.plantedOn && (
        <button type="button" className="btn btn-xs" onClick={() => void run(plantBack(hands, p, today))}>
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
  );
}

const cropForm = z.object({
  crop: z.string(),
  /** Empty for today. */
  on: z.string(),
});

/** A crop that stands or is to stand on the bed, from its day for as long as such crops usually do. */
function NewCrop({ bed }: { bed: Bed }) {
  const { garden, today, hands, run } = useGarden();
  const form = useKeptForm(
    `crop ${bed.id}`,
    cropForm,
    { crop: 'lettuce', on: '' },
    ({ crop: cropId, on }) => {
      const from = on || today;
      const { ways, days } = cropOf(cropId);
      return run(
        savePlanting(hands, {
          id: hands.newId(),
          gardenId: garden.id,
          bedId: bed.id,
          cropId,
          way: ways[0]!,
          plantOn: from,
          plantedOn: from <= today ? from : null,
          clearOn: isoOf(dayOf(from) + Math.round((days[0] + days[1]) / 2)),
          clearedOn: null,
          note: '',
        }),
      );
    },
    ['crop', 'on'],
  );
  if (!form) return null;
  return (
    <form
      className="border-warp mt-3 grid max-w-2xl gap-3 border-t pt-3 sm:grid-cols-3"
      onSubmit={form.onSubmit}
    >
      <SelectField label="Crop" options={crops.map((c) => [c.id, c.name] as const)} {...form.field('crop')} />
      <DateField label="Planted or to plant on" {...form.field('on')} value={form.typed.on || today} />
      <button type="submit" className="btn btn-sm self-end">
        Put this crop on bed {bed.name}
      </button>
    </form>
  );
}
