import { useState } from 'react';
import { Link } from 'react-router';
import { cropOf, crops, kit } from '../../catalogue/catalogue.ts';
import { findCrops } from '../../catalogue/find.ts';
import { type Sample } from '../../core/choose/sample.ts';
import { type Failure } from '../../core/result/result.ts';
import { showArea } from '../../core/units/show.ts';
import { firstPlan, firstRecords } from '../../questions/first.ts';
import { beginGarden } from '../../records/commands/begin.ts';
import { hands, realToday } from '../../ring/garden.tsx';
import { failureWords } from '../../ui/failureWords.ts';
import { Check, DateField, SelectField, TextField } from '../../ui/fields.tsx';
import { Finder } from '../../ui/Finder.tsx';
import { Mark } from '../../ui/Mark.tsx';
import { plantingWords } from '../../ui/offerWords.ts';
import { groundOf, type Typed } from './said.ts';
import { TheAnswer } from './TheAnswer.tsx';
import { useFirst } from './useFirst.ts';
import { Where, PacketFields } from './FromPacket.tsx';
import { Ask, Chips } from './Ask.tsx';
import { type First } from './typed.ts';

const NEXT = ['tomato', 'winter-squash', 'potato', 'cabbage', 'bush-bean', 'lettuce'];

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
