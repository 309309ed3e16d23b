import { endingFiguresOf } from '../../catalogue/catalogue.ts';
import { type Squeeze, SqueezeDrawing } from '../../ui/drawings/Condition.tsx';
import { StageDrawing } from '../../ui/drawings/Stage.tsx';
import { stageFormOf, STAGE_FORMS } from '../../ui/drawings/stageForms.ts';
import { Term } from '../../ui/Term.tsx';
import { type Pick } from './pick.ts';
import { Tens } from './choices.tsx';

const STAGES = ['leafy', 'bud', 'flower', 'milk', 'seed'] as const;

/** The stage by drawings of this kind of plant, and how many of ten have come to it. */
export function StageCard({ speciesId, pick, set }: { speciesId: string; pick: Pick; set(p: Pick): void }) {
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
