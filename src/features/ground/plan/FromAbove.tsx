import { rest } from '../../../core/ground/pull.ts';
import { useMemo, useState } from 'react';
import { walkLength_m, walkOrder } from '../../../core/ground/walk.ts';
import { type Sky } from '../../../core/ground/shade.ts';
import { parseGround } from '../../../core/units/length.ts';
import { showAreaMetric, showAreaImperial, showLength } from '../../../core/units/show.ts';
import { freshBed } from '../../../questions/fresh.ts';
import { changeMark, orderBeds } from '../../../records/commands/ground.ts';
import { changeGarden } from '../../../records/commands/change.ts';
import { saveBeds } from '../../../records/verbs/verbs.ts';
import { MARK_KINDS, type Mark } from '../../../records/types.ts';
import { useGarden } from '../../../ring/garden.tsx';
import { Check, RangeField, SelectField, TextField } from '../../../ui/fields.tsx';
import { BedCard, newNames } from './BedCard.tsx';
import { MARK_WORDS, MarkCard, newMark } from './MarkCard.tsx';
import { PlanView } from './PlanView.tsx';
import { type Plan, usePlan } from './usePlan.ts';
import { useKeptForm } from '../../../ring/useKeptForm.ts';
import { readBy } from '../../../ring/typedFigures.ts';
import { z } from 'zod';

const SEASONS = [
  ['none', 'no shadows'],
  ['summer', 'midsummer'],
  ['equinox', 'equinox'],
  ['winter', 'midwinter'],
] as const;
type Season = (typeof SEASONS)[number][0];
const DOY: Record<Exclude<Season, 'none'>, number> = { summer: 172, equinox: 80, winter: 355 };

/** The garden from above with the card of what is chosen beside it. */
export function FromAbove() {
  const plan = usePlan();
  const { garden, placed, chosenBed, chosenMark } = plan;
  const [season, setSeason] = useState<Season>('none');
  const [hour, setHour] = useState(15);
  const [walk, setWalk] = useState(false);
  const [zoom, setZoom] = useState(1);
  const sky = useMemo<Sky>(
    () => ({ latitude_deg: garden.site.latitude_deg, north_deg: garden.north_deg }),
    [garden.site.latitude_deg, garden.north_deg],
  );
  const doy = season === 'none' ? 0 : sky.latitude_deg < 0 ? (DOY[season] + 183) % 366 : DOY[season];
  const total = placed.reduce((s, p) => s + p.bed.area_m2, 0);
  return (
    <div className="garden-touch grid gap-6 lg:grid-cols-[minmax(0,1fr)_21rem]">
      <div className="min-w-0">
        <p className="text-bark mb-2">
          {placed.length} {placed.length === 1 ? 'bed' : 'beds'},{' '}
          {garden.units.length === 'imperial' ? showAreaImperial(total) : showAreaMetric(total)}. One square
          is a metre. Tap a bed, then drag it by its middle, a side by its grip, the round grip turns it.
        </p>
        <PlanView
          plan={plan}
          sky={sky}
          at={season === 'none' ? null : { doy, hour }}
          walk={walk}
          zoom={zoom}
        />
        <div className="mt-3 flex flex-wrap items-end gap-4">
          <div className="w-40">
            <SelectField<Season> label="Shadows" value={season} options={SEASONS} onChange={setSeason} />
          </div>
          {season !== 'none' && (
            <div className="w-64">
              <RangeField
                label="Hour of the sun"
                value={hour}
                shown={`${Math.floor(hour)}:${hour % 1 ? '30' : '00'}`}
                min={5}
                max={21}
                step={0.5}
                onChange={setHour}
              />
            </div>
          )}
          <Check label="The walk round" checked={walk} onChange={setWalk} />
          <div className="flex gap-2">
            <button
              type="button"
              className="btn"
              aria-label="Larger"
              onClick={() => setZoom(Math.min(6, zoom * 1.4))}
            >
              +
            </button>
            <button
              type="button"
              className="btn"
              aria-label="Smaller"
              onClick={() => setZoom(Math.max(1, zoom / 1.4))}
            >
              −
            </button>
          </div>
        </div>
        {walk && <TheWalk plan={plan} />}
      </div>
      <div className="flex flex-col gap-6">
        {chosenBed ? (
          <BedCard plan={plan} placed={chosenBed} sky={sky} />
        ) : chosenMark ? (
          <MarkCard key={chosenMark.id} plan={plan} mark={chosenMark} />
        ) : (
          <NothingChosen plan={plan} />
        )}
      </div>
    </div>
  );
}

/** How long the round is, and the way to make it short. */
function TheWalk({ plan }: { plan: Plan }) {
  const { garden, hands, run } = useGarden();
  const { placed } = plan;
  const ordered = [...placed].sort((a, b) => a.bed.order - b.bed.order);
  const points = ordered.map((p) => [p.at.x_m, p.at.y_m] as const);
  const shed = garden.marks.find((m) => m.kind === 'shed');
  const from = shed ? ([shed.x_m, shed.y_m] as const) : (points[0] ?? ([0, 0] as const));
  const short = walkOrder(points, from);
  const [now, then] = [walkLength_m(points), walkLength_m(short.map((i) => points[i]!))];
  return (
    <p className="mt-2">
      From bed to bed in their order: <b>{showLength(Math.round(now), garden.units)}</b>.{' '}
      {then < now - 1 && (
        <button
          type="button"
          className="btn btn-sm"
          onClick={() =>
            void run(
              orderBeds(
                hands,
                garden.id,
                short.map((i) => ordered[i]!.bed.id),
              ),
            )
          }
        >
          Order them for a walk of {showLength(Math.round(then), garden.units)}
        </button>
      )}
    </p>
  );
}

/** A new bed, something that stands beside the beds, and where north is. */
function NothingChosen({ plan }: { plan: Plan }) {
  const { garden, hands, run } = useGarden();
  const put = (kind: Mark['kind']) => {
    const { bounds } = plan;
    const mark = newMark(kind, hands.newId(), {
      x_m: rest(bounds.x + bounds.width / 2),
      y_m: rest(bounds.y + bounds.height / 2),
    });
    void run(
      changeMark(hands, garden.id, mark.id, mark, `${MARK_WORDS[kind].toLowerCase()} on the plan`),
    ).then((done) => done && plan.setChosen({ what: 'mark', id: mark.id }));
  };
  return (
    <>
      <NewBed plan={plan} />
      <div>
        <h2 className="font-display text-lg font-bold">Put on the plan</h2>
        <div className="mt-2 flex flex-wrap gap-2">
          {MARK_KINDS.map((k) => (
            <button key={k} type="button" className="btn" onClick={() => put(k)}>
              {MARK_WORDS[k]}
            </button>
          ))}
        </div>
      </div>
      <RangeField
        label="North lies"
        value={garden.north_deg}
        shown={`${garden.north_deg}°`}
        min={-180}
        max={180}
        step={5}
        onChange={(north_deg) =>
          void run(changeGarden(hands, garden.id, 'north on the plan', () => ({ north_deg }), true))
        }
      />
    </>
  );
}

const nextName = (names: string[]): string => {
  const numbers = names.map(Number).filter((n) => Number.isInteger(n));
  const last = numbers.length > 0 ? String(Math.max(...numbers)) : '0';
  return newNames(last, new Set(names), 1)[0]!;
};

/** @param taken names that beds have already */
const bedForm = (unit: 'ft' | 'm', taken: readonly string[]) =>
  z.object({
    name: z
      .string()
      .trim()
      .refine((name) => !taken.includes(name), {
        error: ({ input }) => `There is a bed "${String(input)}" already. Choose another name.`,
      }),
    size: readBy((text) => parseGround(text, unit)),
  });

/** A bed more, by its size; it is laid out where there is room. */
function NewBed({ plan }: { plan: Plan }) {
  const { garden, beds, hands, run } = useGarden();
  const unit = garden.units.length === 'imperial' ? 'ft' : 'm';
  const names = beds.map((b) => b.name);
  const form = useKeptForm(
    `bed on the plan ${garden.id}`,
    bedForm(unit, names),
    { name: '', size: '' },
    async ({ name, size }) => {
      const bed = freshBed({
        id: hands.newId(),
        gardenId: garden.id,
        name: name || nextName(names),
        order: beds.length,
        ...size,
      });
      const saved = await run(saveBeds(hands, [bed]));
      if (saved) plan.setChosen({ what: 'bed', id: bed.id });
      return saved;
    },
  );
  if (!form) return null;
  const read = parseGround(form.typed.size, unit);
  return (
    <form className="flex flex-col gap-3" onSubmit={form.onSubmit}>
      <h2 className="font-display text-2xl font-bold">Another bed</h2>
      <TextField
        label="Name of the bed"
        hint={`Left empty it is called ${nextName(names)}.`}
        {...form.field('name')}
      />
      <TextField
        label="Width x length"
        hint={
          read.ok
            ? `${showAreaMetric(read.value.area_m2)} or ${showAreaImperial(read.value.area_m2)}`
            : '1.2 m x 8 m, 4 ft 6 in x 20 ft, 45 in x 50 ft, or 6 m²'
        }
        {...form.field('size')}
      />
      <button type="submit" className="btn btn-primary self-start">
        Add this bed
      </button>
    </form>
  );
}
