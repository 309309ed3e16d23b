import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { cropOf, crops, kit, speciesOf } from '../../catalogue/catalogue.ts';
import { findCrops, findKinds } from '../../catalogue/find.ts';
import { places } from '../../catalogue/places.ts';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { type Sample } from '../../core/choose/sample.ts';
import { type Failure } from '../../core/result/result.ts';
import { showArea } from '../../core/units/show.ts';
import { firstPlan, firstRecords } from '../../questions/first.ts';
import { beginGarden } from '../../records/commands/begin.ts';
import { PlaceField } from '../../ring/climate/PlaceField.tsx';
import { hands, realToday } from '../../ring/garden.tsx';
import { showDay } from '../../ui/dates.ts';
import { failureWords } from '../../ui/failureWords.ts';
import { Check, DateField, SelectField, TextField } from '../../ui/fields.tsx';
import { Finder } from '../../ui/Finder.tsx';
import { Mark } from '../../ui/Mark.tsx';
import { plantingWords } from '../../ui/offerWords.ts';
import { groundOf, sharesOf, type Typed } from './said.ts';
import { TheAnswer } from './TheAnswer.tsx';
import { useFirst } from './useFirst.ts';

const NEXT = ['tomato', 'winter-squash', 'potato', 'cabbage', 'bush-bean', 'lettuce'];
const PACKETS = ['crimson-clover', 'phacelia', 'buckwheat', 'cereal-rye', 'white-mustard', 'hairy-vetch'];
const SIZES = { metric: ['1.2 m x 2.4 m', '1.2 m x 8 m'], imperial: ['4 x 8 ft', '4 x 20 ft'] };
const CUTTERS = [
  'shears',
  'sickle',
  'hedge-trimmer',
  'mower',
  'spade',
  'hoe',
  'opaque-sheet',
  'hose',
  'scale',
];
const known = <T extends { id: string }>(list: readonly T[], ids: string[]): T[] =>
  ids.flatMap((id) => list.find((x) => x.id === id) ?? []);

interface Props {
  onMade(gardenId: string, path: string): void;
  tell(f: Failure): void;
}

type First = NonNullable<ReturnType<typeof useFirst>>;

/** For somebody with one bed and one packet: a handful of questions, and the whole season of the bed as the answer. */
export default function FirstPage({ onMade, tell }: Props) {
  const first = useFirst();
  if (!first) return null;
  const { typed: t, set } = first;
  return (
    <main id="main" className="garden-touch mx-auto max-w-6xl px-4 py-5 sm:px-6">
      <Link to="/new" className="flex items-center gap-2">
        <Mark size={28} /> <span className="underline">Kilim, all ways in</span>
      </Link>
      <h1 className="font-display mt-3 text-3xl font-extrabold">A bed and a packet</h1>
      <div className="mt-4 grid gap-10 lg:grid-cols-[minmax(0,1fr)_minmax(0,26rem)]">
        <div className="flex flex-col gap-7">
          <Where first={first} />
          <HowBig first={first} />
          <WhenAndNext first={first} />
          <PacketFields t={t} set={set} />
          <Tools t={t} set={set} />
        </div>
        <aside className="lg:sticky lg:top-4 lg:self-start">
          <div className="border-walnut bg-paper border-t-4 p-4 sm:p-5">
            <AnswerSoFar first={first} onMade={onMade} tell={tell} />
          </div>
        </aside>
      </div>
    </main>
  );
}

function HowBig({ first: { typed: t, set, units } }: { first: First }) {
  const ground = groundOf(t);
  const example = t.imperial ? '4 x 8, or 32 sq ft' : '1.2 m x 8, or 6 m², in any unit';
  return (
    <Ask title="How big is the bed?">
      <TextField
        label="Size"
        hint={ground.ok ? showArea(ground.value.area_m2, units) : example}
        value={t.size}
        onChange={(size) => set({ size })}
      />
      <Chips
        label="Usual sizes"
        options={SIZES[units.length].map((s) => [s, s] as const)}
        chosen={t.size}
        choose={(size) => set({ size })}
      />
      <Check
        label="I think in feet, ounces and °F"
        checked={t.imperial}
        onChange={(imperial) => set({ imperial })}
      />
    </Ask>
  );
}

function WhenAndNext({ first }: { first: First }) {
  const { typed: t, set, units, offer } = first;
  return (
    <Ask title="When is it empty, and what comes next?">
      <div className="grid gap-3 sm:grid-cols-2">
        <DateField
          label="Empty from"
          hint="Today, where it is empty already."
          value={first.free}
          onChange={(free) => set({ free })}
        />
        <SelectField
          label="What leaves it"
          value={t.before}
          options={[['', 'nothing, or I forgot'], ...crops.map((c) => [c.id, c.name] as const)]}
          onChange={(before) => set({ before })}
        />
      </div>
      <Finder
        label="Next I want to grow"
        chosen={t.nextId ? cropOf(t.nextId).name : null}
        find={findCrops}
        first={known(crops, NEXT)}
        nameOf={(c) => c.name}
        idOf={(c) => c.id}
        choose={(c) => set({ nextId: c?.id ?? '', plantOn: '' })}
        nothing="Kilim has no figures for that crop. Take one of its kin: what matters here is when it goes in and how hungry it is."
      />
      {t.nextId && (
        <div>
          <DateField label="Planted on" value={first.plantOn} onChange={(plantOn) => set({ plantOn })} />
          {offer && (
            <p className="text-bark mt-1">
              {plantingWords(offer, cropOf(t.nextId).name, units)} Change it to your own.
            </p>
          )}
        </div>
      )}
    </Ask>
  );
}

function Tools({ t, set }: { t: Typed; set(part: Partial<Typed>): void }) {
  const flip = (id: string) =>
    set({ tools: t.tools.includes(id) ? t.tools.filter((x) => x !== id) : [...t.tools, id] });
  return (
    <Ask title="What have you got to end it with?">
      <div className="flex flex-wrap gap-2" role="group" aria-label="Tools at hand">
        {known(kit, CUTTERS).map((k) => (
          <button
            key={k.id}
            type="button"
            aria-pressed={t.tools.includes(k.id)}
            className={`btn ${t.tools.includes(k.id) ? 'btn-primary' : ''}`}
            onClick={() => flip(k.id)}
          >
            {k.name}
          </button>
        ))}
      </div>
    </Ask>
  );
}

/** What is still wanted, that it is being worked out, or the answer with a way to keep it. */
function AnswerSoFar({ first, onMade, tell }: Props & { first: First }) {
  const { answer, sample, plan } = first;
  if (first.problem)
    return (
      <p role="alert" className="text-madder font-semibold">
        {failureWords(first.problem)}
      </p>
    );
  if (first.wanting.length > 0)
    return (
      <p className="text-lg">
        The answer stands here as soon as Kilim knows <b>{listed(first.wanting)}</b>.
      </p>
    );
  if (!answer || !sample || !plan)
    return (
      <p role="status" className="text-lg">
        Trying it in plausible years…
      </p>
    );
  return (
    <>
      <TheAnswer answer={answer} sample={sample} better={first.better} said={plan.said} today={realToday()} />
      <KeepIt first={first} sample={sample} plan={plan} onMade={onMade} tell={tell} />
    </>
  );
}

/** Makes the garden, with its bed and the cover as it was answered. */
function KeepIt({
  first: { typed: t, set, clear },
  sample,
  plan,
  onMade,
  tell,
}: Props & { first: First; sample: Sample; plan: NonNullable<First['plan']> }) {
  const [busy, setBusy] = useState(false);
  async function take() {
    setBusy(true);
    const today = realToday();
    const records = firstRecords(plan.said, hands, today);
    const put = firstPlan(sample, plan.said, records, plan.question.aims, today, hands.newId);
    const made = await beginGarden(hands, { ...records, ...put });
    setBusy(false);
    if (!made.ok) return tell(made.failure);
    clear();
    onMade(records.garden.id, `/cover/${put.cover.id}/sow`);
  }
  return (
    <div className="border-linen mt-4 border-t pt-4">
      <TextField
        label="Name of the garden"
        hint="Leave it empty for My garden."
        value={t.gardenName}
        onChange={(gardenName) => set({ gardenName })}
      />
      <button
        type="button"
        className="btn btn-primary mt-3 w-full"
        disabled={busy}
        onClick={() => void take()}
      >
        Keep this plan and go on to sowing
      </button>
      <p className="text-bark mt-2">It stays in this browser, and can be undone or changed.</p>
    </div>
  );
}

const listed = (words: string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

function Ask({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="flex flex-col gap-3">
      <h2 className="font-display border-linen border-b pb-1 text-xl font-bold">{title}</h2>
      {children}
    </section>
  );
}

function Chips({
  label,
  options,
  chosen,
  choose,
}: {
  label: string;
  options: readonly (readonly [string, string])[];
  chosen: string;
  choose(id: string): void;
}) {
  return (
    <div className="flex flex-wrap gap-2" role="group" aria-label={label}>
      {options.map(([id, words]) => (
        <button
          key={id}
          type="button"
          aria-pressed={chosen === id}
          className={`btn ${chosen === id ? 'btn-primary' : ''}`}
          onClick={() => choose(id)}
        >
          {words}
        </button>
      ))}
    </div>
  );
}

/** Where: a town, with its frosts as they come out, corrected where the gardener knows better. */
function Where({ first }: { first: First }) {
  const { typed: t, set, frosts, units } = first;
  const [correcting, setCorrecting] = useState(false);
  const shown = (doy: number | undefined) =>
    doy === undefined ? 'none in most years' : showDay(dayOf('2024-01-01') + doy);
  const iso = (doy: number | undefined) => (doy === undefined ? '' : isoOf(dayOf('2024-01-01') + doy));
  const frosty = frosts?.lastFrost_doy !== undefined || frosts?.firstFrost_doy !== undefined;
  return (
    <Ask title="Where do you garden?">
      <PlaceField
        place={places.find((p) => p.id === t.placeId) ?? null}
        choose={(p) => set({ placeId: p?.id ?? null, lastFrost: '', firstFrost: '' })}
        units={units}
      />
      {t.placeId && (
        <div aria-live="polite">
          {!frosts ? (
            <p className="text-bark">Making your years…</p>
          ) : !frosty ? (
            <p>No frost in a usual year.</p>
          ) : (
            <p>
              Last frost about <b>{shown(frosts.lastFrost_doy)}</b>, first about{' '}
              <b>{shown(frosts.firstFrost_doy)}</b>.{' '}
              <button type="button" className="underline" onClick={() => setCorrecting(!correcting)}>
                {correcting ? 'Done' : 'Not so in my garden'}
              </button>
            </p>
          )}
          {correcting && frosts && frosty && (
            <div className="mt-2 grid gap-3 sm:grid-cols-2">
              <DateField
                label="Last frost of a usual spring"
                hint="The year does not matter."
                value={t.lastFrost || iso(frosts.lastFrost_doy)}
                onChange={(lastFrost) => set({ lastFrost })}
              />
              <DateField
                label="First frost of a usual autumn"
                value={t.firstFrost || iso(frosts.firstFrost_doy)}
                onChange={(firstFrost) => set({ firstFrost })}
              />
            </div>
          )}
        </div>
      )}
    </Ask>
  );
}

/** What is printed on the packet, as it is printed. */
function PacketFields({ t, set }: { t: Typed; set(part: Partial<Typed>): void }) {
  const [more, setMore] = useState(false);
  const shares = sharesOf(t.parts);
  const sum = shares.ok ? shares.value.reduce((a, b) => a + b, 0) : 100;
  const adding = t.parts.length === 0 || more;
  return (
    <Ask title="What is in the packet?">
      {t.parts.map((p, i) => (
        <div key={p.speciesId} className="flex flex-wrap items-center gap-3">
          <span className="grow font-semibold">{speciesOf(p.speciesId).name}</span>
          {t.parts.length > 1 && (
            <label className="flex items-center gap-2">
              <span className="sr-only">{speciesOf(p.speciesId).name}, </span>
              <input
                className="input w-20!"
                inputMode="decimal"
                value={p.printed}
                placeholder={shares.ok ? String(Math.round(shares.value[i]!)) : ''}
                onChange={(e) =>
                  set({ parts: t.parts.map((x, k) => (k === i ? { ...x, printed: e.target.value } : x)) })
                }
              />
              % by weight
            </label>
          )}
          <button
            type="button"
            className="btn btn-ghost"
            onClick={() => set({ parts: t.parts.filter((_, k) => k !== i) })}
          >
            Take out<span className="sr-only"> {speciesOf(p.speciesId).name}</span>
          </button>
        </div>
      ))}
      {t.parts.length > 1 && Math.abs(sum - 100) > 1 && (
        <p className="text-bark">These come to {Math.round(sum)}; Kilim takes them in proportion.</p>
      )}
      {adding ? (
        <Finder
          label={t.parts.length === 0 ? 'Kind' : 'Another kind in it'}
          hint="As it stands on the packet, in English or Latin."
          chosen={null}
          find={(typed) => findKinds(typed).filter((s) => !t.parts.some((p) => p.speciesId === s.id))}
          first={t.parts.length === 0 ? PACKETS.map(speciesOf) : []}
          nameOf={(s) => s.name}
          idOf={(s) => s.id}
          choose={(s) => {
            if (!s) return;
            setMore(false);
            set({ parts: [...t.parts, { speciesId: s.id, printed: '' }] });
          }}
          nothing="That kind is not known here. Take the nearest of its family, sown at the same time of year."
        />
      ) : (
        <button type="button" className="btn self-start" onClick={() => setMore(true)}>
          It is a mix: add a kind
        </button>
      )}
      {t.parts.length > 0 && (
        <div className="grid gap-3 sm:grid-cols-3">
          <TextField
            label="It weighs"
            hint={t.imperial ? '4 oz, 1/4 lb' : '100 g, 0.5 kg'}
            value={t.weight}
            onChange={(weight) => set({ weight })}
          />
          <TextField
            label="Rate on it, or ground it is for"
            hint={t.imperial ? '2 oz/100 sq ft, or 50 sq ft' : '15 g/m², or 10 m²'}
            value={t.rate}
            onChange={(rate) => set({ rate })}
          />
          <TextField
            label="Price, if you like"
            decimal
            value={t.price}
            onChange={(price) => set({ price })}
          />
          {t.parts.length > 1 && (
            <TextField label="Name of the mix" value={t.mixName} onChange={(mixName) => set({ mixName })} />
          )}
        </div>
      )}
    </Ask>
  );
}
