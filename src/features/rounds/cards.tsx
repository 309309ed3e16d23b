import { endingFiguresOf, speciesOf } from '../../catalogue/catalogue.ts';
import { type Question } from '../../core/rounds/question.ts';
import type { Cover, Look } from '../../records/types.ts';
import {
  ConditionDrawing,
  CONDITIONS,
  conditionWords,
  type Squeeze,
  SqueezeDrawing,
} from '../../ui/drawings/Condition.tsx';
import { StageDrawing } from '../../ui/drawings/Stage.tsx';
import { stageFormOf, STAGE_FORMS } from '../../ui/drawings/stageForms.ts';
import { Term } from '../../ui/Term.tsx';
import { Swatch } from '../../ui/Weave.tsx';
import { OF_TEN, type Pick } from './pick.ts';
import { PhotoCard } from './PhotoCard.tsx';
import { Counter, PEST_WORDS, Several, SoilCard, WEED_KINDS } from './soilCards.tsx';

interface CardProps {
  question: Question;
  cover: Cover;
  pick: Pick;
  set(pick: Pick): void;
  keepPicture(jpeg: string | null): void;
}

/** What is said of a question, and what can be tapped: for those that ask no more than that. */
interface Plain {
  say(name: string): string;
  value(pick: Pick): string | undefined;
  picked(value: string, pick: Pick): Pick;
  options: (readonly [string, string])[];
}

type Amount = 'none' | 'some' | 'many';

const PLAIN = {
  seed: {
    say: (name) =>
      `Rub the ripest heads of the ${name} between your palms and blow, in five places, edges too.`,
    value: (p) => p.seed,
    picked: (seed) => ({ seed: seed as Amount }),
    options: [
      ['none', 'No dark or hard seed'],
      ['some', 'In some heads'],
      ['many', 'In most heads'],
    ],
  },
  height: {
    say: () => 'Stand beside it, middle of the bed. Where does the canopy reach?',
    value: (p) => (p.height_m === undefined ? undefined : String(p.height_m)),
    picked: (h) => ({ height_m: Number(h) }),
    options: [
      ['0.08', 'Over the toes'],
      ['0.2', 'Half way up the shin'],
      ['0.45', 'To the knee'],
      ['0.7', 'To mid-thigh'],
      ['0.95', 'To the hip'],
      ['1.25', 'To the chest'],
      ['1.6', 'To the eyes'],
    ],
  },
  weeds: {
    say: () => 'Part the leaves in five places, a frame of two hands each.',
    value: (p) => p.weeds,
    picked: (weeds, p) => ({ ...p, weeds: weeds as Look['weeds'] & string }),
    options: [
      ['few', 'None or a few'],
      ['some', 'Some in every frame'],
      ['many', 'Many, and up among the leaves'],
    ],
  },
  emergence: {
    say: () => 'Look along the bed with low light behind it.',
    value: (p) => p.emergence,
    picked: (emergence) => ({ emergence: emergence as Look['emergence'] & string }),
    options: [
      ['none', 'Nothing yet'],
      ['some', 'Here and there'],
      ['even', 'Evenly'],
    ],
  },
  gaps: {
    say: () => 'Walk the bed and look straight down: where does bare soil show?',
    value: (p) => p.gaps,
    picked: (gaps) => ({ gaps: gaps as Amount }),
    options: [
      ['none', 'Nowhere'],
      ['some', 'Here and there'],
      ['many', 'In many places'],
    ],
  },
  washed: {
    say: () => 'Look for seed in lines, in low corners, and for a crust that a fingernail lifts in plates.',
    value: (p) => p.washed,
    picked: (washed) => ({ washed: washed as Amount }),
    options: [
      ['none', 'No: it lies where it fell'],
      ['some', 'In places'],
      ['many', 'Washed into lines, or a crust all over'],
    ],
  },
  edges: {
    say: () => 'Walk once round: along the boards, at pipes and posts, in all four corners.',
    value: (p) => p.edges,
    picked: (edges) => ({ edges: edges as Amount }),
    options: [
      ['none', 'Nothing green'],
      ['some', 'Here and there'],
      ['many', 'All along'],
    ],
  },
} satisfies Partial<Record<Question['kind'], Plain>>;

const isPlain = (kind: Question['kind']): kind is keyof typeof PLAIN => kind in PLAIN;

/** One question, large, for one thumb. */
export function CardBody({ question: q, cover, pick, set, keepPicture }: CardProps) {
  const speciesId = q.speciesId ?? cover.parts[0]!.speciesId;
  const name = speciesOf(speciesId).name.toLowerCase();
  const { kind } = q;
  if (isPlain(kind)) {
    const plain: Plain = PLAIN[kind];
    return (
      <>
        <p>{plain.say(name)}</p>
        <Choices
          value={plain.value(pick)}
          set={(value) => set(plain.picked(value, pick))}
          options={plain.options}
        />
        {kind === 'weeds' && pick.weeds && pick.weeds !== 'few' && (
          <Several
            label="Which are they? (if you know)"
            value={pick.weedKinds ?? []}
            set={(weedKinds) => set({ ...pick, weedKinds })}
            options={WEED_KINDS}
          />
        )}
      </>
    );
  }
  switch (kind) {
    case 'stage':
      return <StageCard speciesId={speciesId} pick={pick} set={set} />;
    case 'cover':
      return <PhotoCard cover={cover} pick={pick} set={set} keepPicture={keepPicture} />;
    case 'alive':
      return (
        <>
          <p>
            Ten plants of {name}. Scratch the stem low down, or slice the crown: white, cream or green inside
            is alive, whatever the leaves look like; brown and glassy is dead.
          </p>
          <Conditions speciesId={speciesId} />
          <Tens value={pick.alive} set={(alive) => set({ alive })} words="alive" />
        </>
      );
    case 'frame':
      return (
        <>
          <p>
            Lay a frame of half a metre each way where it looks like most of the bed. Count every {name} that
            stands in it.
          </p>
          <Counter value={pick.plants} set={(plants) => set({ plants })} label={`${name} in the frame`} />
        </>
      );
    case 'pests':
      return <PestsCard pick={pick} set={set} />;
    case 'soil':
      return <SoilCard soil={pick.soil ?? {}} set={(soil) => set({ soil })} />;
    case 'crowns':
    case 'peek':
      return <CrownsCard peek={kind === 'peek'} pick={pick} set={set} />;
  }
}

function PestsCard({ pick, set }: { pick: Pick; set(pick: Pick): void }) {
  return (
    <>
      <p>
        Look under leaves and at stem feet in five places; slugs show at dusk, or under a board left
        overnight.
      </p>
      <Several
        label="What is there?"
        value={pick.pests ?? []}
        set={(pests) => set({ pests })}
        options={PEST_WORDS}
        none="Nothing that eats"
        answered={pick.pests !== undefined}
      />
    </>
  );
}

function CrownsCard({ peek, pick, set }: { peek: boolean; pick: Pick; set(pick: Pick): void }) {
  return (
    <>
      <p>
        {peek
          ? 'Lift three corners, not one. Ten crowns: pale and soft ones that come out are dead; firm and white ones live.'
          : 'Ten crowns, two of them within a hand of an edge. Pull at the base, slice lengthwise: white or green inside, or a new shoot, is alive.'}
      </p>
      <p>
        <Term id="crown">What is a crown?</Term>
      </p>
      <Tens value={pick.green} set={(green) => set({ green })} words={peek ? 'firm' : 'green'} />
    </>
  );
}

function Choices<T extends string>({
  value,
  set,
  options,
}: {
  value: string | undefined;
  set(v: T): void;
  options: readonly (readonly [T, string])[];
}) {
  return (
    <div className="mt-3 flex flex-col gap-2">
      {options.map(([v, words]) => (
        <button
          key={v}
          type="button"
          aria-pressed={value === v}
          className={`bg-paper min-h-14 border-2 px-4 text-left text-lg ${value === v ? 'border-walnut font-bold' : 'border-linen'}`}
          onClick={() => set(v)}
        >
          {words}
        </button>
      ))}
    </div>
  );
}

/** Ten squares of the weave: tap how many. */
function Tens({ value, set, words }: { value: number | undefined; set(n: number): void; words: string }) {
  return (
    <div className="mt-3">
      <p className="font-semibold">How many of ten are {words}?</p>
      <div className="mt-1 grid grid-cols-10 gap-1" role="group" aria-label={`How many of ten are ${words}`}>
        {Array.from({ length: OF_TEN }, (_, i) => (
          <button
            key={i}
            type="button"
            aria-label={`${i + 1} of 10`}
            aria-pressed={value === i + 1}
            className={`flex h-12 items-center justify-center border-2 ${(value ?? 0) > i ? 'border-walnut bg-leaf/30' : 'border-linen bg-paper'}`}
            onClick={() => set(i + 1)}
          >
            {(value ?? 0) > i && <Swatch motif="grass" size={20} />}
          </button>
        ))}
      </div>
      <button
        type="button"
        aria-pressed={value === 0}
        className={`bg-paper mt-2 min-h-12 w-full border-2 ${value === 0 ? 'border-walnut font-bold' : 'border-linen'}`}
        onClick={() => set(0)}
      >
        None of ten
      </button>
      {value !== undefined && (
        <p className="text-bark mt-1" aria-live="polite">
          {value} of 10 {words}
        </p>
      )}
    </div>
  );
}

const STAGES = ['leafy', 'bud', 'flower', 'milk', 'seed'] as const;

/** The stage by drawings of this kind of plant, and how many of ten have come to it. */
function StageCard({ speciesId, pick, set }: { speciesId: string; pick: Pick; set(p: Pick): void }) {
  const form = stageFormOf(speciesId, endingFiguresOf(speciesId)?.group);
  const grass = ['ear', 'spike', 'panicle'].includes(STAGE_FORMS[form].organ);
  return (
    <>
      <p>
        Take ten {grass ? 'stems' : 'plants'} from the middle, not the edge. Which is the furthest you find on
        most?
      </p>
      {grass && (
        <p>
          <Term id="boot">Boot: what is that?</Term>
        </p>
      )}
      <div className="mt-3 grid grid-cols-3 gap-2">
        {STAGES.map((stage) => (
          <button
            key={stage}
            type="button"
            aria-pressed={pick.stage === stage}
            className={`bg-paper border-2 p-1 text-center ${pick.stage === stage ? 'border-walnut font-bold' : 'border-linen'}`}
            onClick={() => set({ stage, reached: pick.reached })}
          >
            <span className="block h-28">
              <StageDrawing form={form} stage={stage} />
            </span>
            <span className="block text-sm leading-tight">{STAGE_FORMS[form].words[stage]}</span>
          </button>
        ))}
      </div>
      {grass && (pick.stage === 'milk' || pick.stage === 'seed') && (
        <div className="mt-3" role="group" aria-label="Squeeze a kernel">
          <p className="font-semibold">
            Squeeze a kernel from the middle of the head between two nails. What comes?
          </p>
          <div className="mt-1 grid grid-cols-3 gap-2">
            {SQUEEZES.map(([shows, words]) => (
              <button
                key={shows}
                type="button"
                aria-pressed={pick.squeeze === shows}
                className={`bg-paper border-2 p-1 text-center ${pick.squeeze === shows ? 'border-walnut font-bold' : 'border-linen'}`}
                onClick={() => set({ ...pick, squeeze: pick.squeeze === shows ? undefined : shows })}
              >
                <span className="block h-20">
                  <SqueezeDrawing shows={shows} />
                </span>
                <span className="block text-sm leading-tight">{words}</span>
              </button>
            ))}
          </div>
          {pick.squeeze && pick.squeeze !== 'milk' && (
            <p className="text-madder mt-1 font-semibold">Seed that would grow is in it: end it now.</p>
          )}
        </div>
      )}
      {pick.stage && pick.stage !== 'leafy' && !pick.squeeze && (
        <Tens
          value={pick.reached}
          set={(reached) => set({ ...pick, reached })}
          words={`as far as that: ${STAGE_FORMS[form].words[pick.stage]}`}
        />
      )}
    </>
  );
}

const SQUEEZES: [Squeeze, string][] = [
  ['milk', 'a white drop'],
  ['paste', 'a paste, the nail leaves its mark'],
  ['hard', 'nothing, no mark'],
];

/** How this kind looks after cold: what seems dead need not be. */
function Conditions({ speciesId }: { speciesId: string }) {
  const form = stageFormOf(speciesId, endingFiguresOf(speciesId)?.group);
  const words = conditionWords(form);
  return (
    <ul className="mt-3 grid grid-cols-2 gap-2 sm:grid-cols-4" aria-label="How it looks after cold">
      {CONDITIONS.map((c) => (
        <li key={c} className="border-linen bg-paper border p-1 text-center">
          <span className="block h-24">
            <ConditionDrawing form={form} condition={c} />
          </span>
          <span className="block text-sm leading-tight">{words[c]}</span>
        </li>
      ))}
    </ul>
  );
}
