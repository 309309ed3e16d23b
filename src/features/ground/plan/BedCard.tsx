import { rest } from '../../../core/ground/pull.ts';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { inARow } from '../../../core/ground/layOut.ts';
import { dayOfLight, lightOf, type Sky } from '../../../core/ground/shade.ts';
import { parseLength_m } from '../../../core/units/length.ts';
import { showAreaImperial, showAreaMetric, showLength } from '../../../core/units/show.ts';
import { sowableArea_m2 } from '../../../core/area/area.ts';
import { fail, ok } from '../../../core/result/result.ts';
import { changeBed } from '../../../records/commands/change.ts';
import { removeBed, saveBeds } from '../../../records/verbs/verbs.ts';
import { useGarden } from '../../../ring/garden.tsx';
import { CommittedField } from '../../../ui/CommittedField.tsx';
import { SelectField, TextField } from '../../../ui/fields.tsx';
import { follows } from './follows.ts';
import { ShapeFields } from './ShapeFields.tsx';
import { type PlacedBed, type Plan } from './usePlan.ts';

const SEASONS = [
  ['In midsummer', 172],
  ['At the equinoxes', 80],
  ['In midwinter', 355],
] as const;
const SHADE_WORDS = { open: 'open sky', part: 'half shade', deep: 'deep shade' };
const MOST_COPIES = 60;

/** The chosen bed: its size, where it lies, its light, and what follows from its shape. */
export function BedCard({ plan, placed, sky }: { plan: Plan; placed: PlacedBed; sky: Sky }) {
  const { garden, covers, hands, run } = useGarden();
  const { bed, at, outline } = placed;
  const { units } = garden;
  const shown = (m: number) => showLength(m, units);
  const sown = sowableArea_m2(bed.area_m2, bed.obstacles, null);
  return (
    <section aria-label={`Bed ${bed.name}`} className="flex flex-col gap-3">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 className="font-display text-2xl font-bold">Bed {bed.name}</h2>
        <Link className="underline" to={`/bed/${bed.id}`}>
          what grows there
        </Link>
      </div>
      <p>
        <b>
          {bed.width_m && bed.length_m
            ? `${shown(bed.width_m)} × ${shown(bed.length_m)}`
            : showAreaMetric(bed.area_m2)}
        </b>{' '}
        = {showAreaMetric(bed.area_m2)}, {showAreaImperial(bed.area_m2)}
        {sown < bed.area_m2 - 0.005 && `; ${showAreaMetric(sown)} of it sown`}
      </p>
      <p className="text-bark">
        Its middle lies {shown(Math.abs(at.x_m))} {at.x_m < 0 ? 'left' : 'right'} of the first corner,{' '}
        {shown(Math.abs(at.y_m))} {at.y_m < 0 ? 'above' : 'below'} it.
      </p>
      <ShapeFields
        key={bed.id}
        bed={bed}
        units={units}
        take={(shape) => plan.place(bed, { ...shape, at }, 'of another shape')}
      />
      <div className="grid grid-cols-2 gap-3">
        <CommittedField
          label="Turned by, degrees"
          decimal
          shown={String(Math.round(at.turn_deg))}
          read={(text) => {
            const v = Number(text.replace(',', '.'));
            return Number.isFinite(v) && Math.abs(v) <= 360 ? ok(v) : fail('turn-unreadable', text);
          }}
          onCommit={(turn_deg) => plan.moveBed(placed, { turn_deg })}
        />
        <TextFieldOfBlock bedId={bed.id} />
      </div>
      {bed.obstacles.length > 0 && (
        <p>
          In it:{' '}
          {bed.obstacles
            .map((o) => `${o.count > 1 ? `${o.count} × ` : ''}${o.name.toLowerCase()}`)
            .join(', ')}
          . Drag each to where it stands, or move it with the arrow keys.
        </p>
      )}
      <CopyRow placed={placed} />
      <Light placed={placed} sky={sky} outline={outline} />
      <div>
        <h3 className="font-display text-lg font-bold">What follows from its shape</h3>
        <dl>
          {follows(garden, bed, covers).map((f) => (
            <div key={f.title} className="border-linen border-t py-1.5">
              <dt className="font-semibold">{f.title}</dt>
              <dd>{f.words}</dd>
            </div>
          ))}
        </dl>
      </div>
      <button
        type="button"
        className="btn btn-ghost self-start"
        onClick={() => {
          plan.setChosen(null);
          void run(removeBed(hands, bed));
        }}
      >
        Take bed {bed.name} away
      </button>
    </section>
  );
}

function TextFieldOfBlock({ bedId }: { bedId: string }) {
  const { beds, hands, run } = useGarden();
  const bed = beds.find((b) => b.id === bedId)!;
  return (
    <CommittedField
      label="Block"
      shown={bed.block}
      read={(text) => (text.length <= 60 ? ok(text) : fail('bed-name-long', text, { most: 60 }))}
      onCommit={(block) => void run(changeBed(hands, bed, () => ({ block })))}
    />
  );
}

/** More of the same, in a row with a path between. */
function CopyRow({ placed }: { placed: PlacedBed }) {
  const { garden, beds, hands, run } = useGarden();
  const [times, setTimes] = useState('1');
  const [path, setPath] = useState(garden.units.length === 'imperial' ? '18 in' : '45 cm');
  const [down, setDown] = useState<'right' | 'down'>('right');
  const many = Math.round(Number(times));
  const gap = parseLength_m(path, garden.units.length === 'imperial' ? 'ft' : 'm');
  const fits = many >= 1 && many <= MOST_COPIES && gap.ok;
  function copy() {
    if (!gap.ok) return;
    const names = newNames(placed.bed.name, new Set(beds.map((b) => b.name)), many);
    void run(
      saveBeds(
        hands,
        inARow(placed.bed, placed.at, many, gap.value, down === 'down').map((at, i) => ({
          ...placed.bed,
          id: hands.newId(),
          name: names[i]!,
          order: beds.length + i,
          at: { ...at, x_m: rest(at.x_m), y_m: rest(at.y_m) },
          place: null,
          note: '',
        })),
      ),
    );
  }
  return (
    <details className="border-linen border-t pt-2">
      <summary className="cursor-pointer font-semibold">More of the same in a row</summary>
      <div className="mt-2 grid grid-cols-3 items-end gap-3">
        <TextField label="How many" decimal value={times} onChange={setTimes} />
        <TextField label="Path between" value={path} onChange={setPath} />
        <SelectField<'right' | 'down'>
          label="To the"
          value={down}
          options={[
            ['right', 'side'],
            ['down', 'end'],
          ]}
          onChange={setDown}
        />
      </div>
      <button type="button" className="btn mt-2" disabled={!fits} onClick={copy}>
        Copy bed {placed.bed.name}
      </button>
    </details>
  );
}

/** Names that go on from a number in one, and are not taken. */
export function newNames(like: string, taken: ReadonlySet<string>, many: number): string[] {
  const m = /^(.*?)(\d+)$/.exec(like);
  const [stem, from] = m ? [m[1]!, Number(m[2])] : [`${like} `, 1];
  const names: string[] = [];
  for (let k = from + 1; names.length < many; k++) if (!taken.has(`${stem}${k}`)) names.push(`${stem}${k}`);
  return names;
}

/** Hours of sun by season, what takes them, and what that means for the bed. */
function Light({ placed, sky, outline }: { placed: PlacedBed; sky: Sky; outline: PlacedBed['outline'] }) {
  const { garden, hands, run } = useGarden();
  const { marks } = garden;
  const { bed } = placed;
  const south = sky.latitude_deg < 0;
  const days = useMemo(
    () =>
      SEASONS.map(([words, doy]) => ({
        words,
        light: dayOfLight(outline, marks, sky, south ? (doy + 183) % 366 : doy),
      })),
    [outline, marks, sky, south],
  );
  const light = useMemo(() => lightOf(outline, marks, sky), [outline, marks, sky]);
  const nameOf = (id: string) => {
    const m = marks.find((x) => x.id === id);
    return (m?.name || m?.kind || '').toLowerCase();
  };
  return (
    <div>
      <h3 className="font-display text-lg font-bold">Sun on it</h3>
      <ul>
        {days.map(({ words, light: l }) => (
          <li key={words}>
            {words} <b>{l.sun_h.toFixed(0)} h</b>
            {l.by[0] && `; ${nameOf(l.by[0].id)} takes ${l.by[0].lost_h.toFixed(1)} h ${partOfDay(l.by[0])}`}
          </li>
        ))}
      </ul>
      {light.shade !== bed.shade && (
        <p className="mt-1">
          By what stands round it this bed has {SHADE_WORDS[light.shade]}; it is kept as{' '}
          {SHADE_WORDS[bed.shade]}.{' '}
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => void run(changeBed(hands, bed, () => ({ shade: light.shade })))}
          >
            Take {SHADE_WORDS[light.shade]}
          </button>
        </p>
      )}
      <p className="text-bark">By the heights on the plan; hills and neighbours’ houses are not on it.</p>
    </div>
  );
}

const MORNING = 12.5;
const partOfDay = ({ from, to }: { from: number; to: number }): string =>
  to <= MORNING ? 'of the morning' : from >= MORNING - 1 ? 'of the afternoon' : 'of the day';
