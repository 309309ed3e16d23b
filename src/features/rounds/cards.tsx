import { endingFiguresOf, speciesOf } from '../../catalogue/catalogue.ts';
import { type Question } from '../../core/rounds/question.ts';
import type { Cover, Look } from '../../records/types.ts';
import { ConditionDrawing, CONDITIONS, conditionWords } from '../../ui/drawings/Condition.tsx';
import { stageFormOf } from '../../ui/drawings/stageForms.ts';
import { Term } from '../../ui/Term.tsx';
import { type Pick } from './pick.ts';
import { PhotoCard } from './PhotoCard.tsx';
import { Counter, PEST_WORDS, Several, SoilCard, WEED_KINDS } from './soilCards.tsx';
import { StageCard } from './StageCard.tsx';
import { Choices, Tens } from './choices.tsx';

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
