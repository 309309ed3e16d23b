import { parseNumber } from '../../core/units/number.ts';
import { ok } from '../../core/result/result.ts';
import { offeredMinutes } from '../../core/work/offered.ts';
import { type PassWork } from '../../core/work/workPlan.ts';
import { notePass, type SaidOfPass } from '../../records/commands/ending.ts';
import type { Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { CommittedField } from '../../ui/CommittedField.tsx';
import { showMinutes } from '../../ui/workWords.ts';

interface Props {
  cover: Cover;
  index: number;
  work: PassWork | undefined;
  title: string;
}

/** Steps after which something has left the bed. */
const TAKES = new Set(['rake-off', 'pull', 'mow-high', 'take-hay', 'pick-shoots', 'graze']);
/** Minutes offered where nothing was worked out, a usual small job. */
const SOME_MINUTES = 20;

/** What came of a step that is done: how long it took, who did it, what was carried off; one tap each. */
export function AfterPass({ cover, index, work, title }: Props) {
  const { garden, hands, run } = useGarden();
  const pass = cover.passes[index]!;
  const say = (said: SaidOfPass) =>
    void run(notePass(hands, cover, index, said, `${title.toLowerCase()}, afterwards`));
  const expected = pass.expected ?? work?.worked;
  const usual = work?.minutes ?? expected ?? SOME_MINUTES;
  const took = (minutes: number): SaidOfPass => ({
    minutes: Math.round(minutes),
    ...(expected ? { expected: Math.round(expected) } : {}),
  });
  return (
    <div className="mt-1 flex flex-wrap items-end gap-2">
      {pass.minutes === undefined ? (
        <>
          <span className="text-bark">It took</span>
          {offeredMinutes(usual).map((minutes) => (
            <button key={minutes} type="button" className="btn btn-sm" onClick={() => say(took(minutes))}>
              {showMinutes(minutes)}
            </button>
          ))}
        </>
      ) : (
        <CommittedField
          label={`Minutes: ${title.toLowerCase()}`}
          shown={String(pass.minutes)}
          read={(text) => parseNumber(text, 0, 10_000)}
          onCommit={(minutes) => say(took(minutes))}
          decimal
        />
      )}
      {garden.people.length > 1 &&
        garden.people.map((p) => (
          <button
            key={p.id}
            type="button"
            className="btn btn-sm"
            aria-pressed={pass.by === p.id}
            onClick={() => say({ by: p.id })}
          >
            {p.name}
          </button>
        ))}
      {TAKES.has(pass.kind) && (
        <CommittedField
          label="Carried off, kg fresh"
          shown={pass.took_kg === undefined ? '' : String(pass.took_kg)}
          read={(text) => (text === '' ? ok(0) : parseNumber(text, 0, 100_000))}
          onCommit={(took_kg) => say({ took_kg })}
          decimal
        />
      )}
    </div>
  );
}
