import { parseLength_m, parseSize_m } from '../../../core/units/length.ts';
import { showLength } from '../../../core/units/show.ts';
import { ok, fail } from '../../../core/result/result.ts';
import { changeMark } from '../../../records/commands/ground.ts';
import type { Mark } from '../../../records/types.ts';
import { useGarden } from '../../../ring/garden.tsx';
import { CommittedField } from '../../../ui/CommittedField.tsx';
import { Check } from '../../../ui/fields.tsx';
import { type Plan } from './usePlan.ts';

export const MARK_WORDS: Record<Mark['kind'], string> = {
  path: 'Path',
  shed: 'Shed or house',
  water: 'Tap or tank',
  tree: 'Tree or bush',
  hedge: 'Hedge',
  wall: 'Wall or fence',
  other: 'Something else',
};

/** What a new one measures: width, length, height in metres, and whether it is round. */
const USUAL: Record<Mark['kind'], [number, number, number, boolean]> = {
  path: [0.6, 6, 0, false],
  shed: [3, 2, 2.4, false],
  water: [0.5, 0.5, 0, true],
  tree: [3, 3, 4, true],
  hedge: [6, 0.8, 1.8, false],
  wall: [6, 0.2, 1.8, false],
  other: [1, 1, 0, false],
};

export const newMark = (kind: Mark['kind'], id: string, at: { x_m: number; y_m: number }): Mark => {
  const [width_m, length_m, height_m, round] = USUAL[kind];
  return { id, kind, name: '', ...at, width_m, length_m, turn_deg: 0, round, height_m };
};

/** The chosen thing beside the beds: what it is, its size and height. */
export function MarkCard({ plan, mark }: { plan: Plan; mark: Mark }) {
  const { garden, hands, run } = useGarden();
  const { units } = garden;
  const unit = units.length === 'imperial' ? 'ft' : 'm';
  const show = (m: number) => showLength(m, units);
  return (
    <section aria-label={mark.name || MARK_WORDS[mark.kind]} className="flex flex-col gap-3">
      <h2 className="font-display text-2xl font-bold">{mark.name || MARK_WORDS[mark.kind]}</h2>
      <CommittedField
        label="Name"
        shown={mark.name}
        read={(text) => (text.length <= 60 ? ok(text) : fail('bed-name-long', text, { most: 60 }))}
        onCommit={(name) => plan.changeMark(mark, { name })}
      />
      <CommittedField
        label="Size"
        shown={`${show(mark.width_m)} x ${show(mark.length_m)}`}
        read={(text) => parseSize_m(text, unit)}
        onCommit={(size) => plan.changeMark(mark, size)}
      />
      {mark.kind !== 'path' && (
        <CommittedField
          label="How high"
          hint="What is high throws shade."
          shown={mark.height_m > 0 ? show(mark.height_m) : '0'}
          read={(text) => (text.trim() === '0' ? ok(0) : parseLength_m(text, unit))}
          onCommit={(height_m) => plan.changeMark(mark, { height_m: Math.min(60, height_m) })}
        />
      )}
      <CommittedField
        label="Turned by, degrees"
        decimal
        shown={String(Math.round(mark.turn_deg))}
        read={(text) => {
          const v = Number(text.replace(',', '.'));
          return Number.isFinite(v) && Math.abs(v) <= 360 ? ok(v) : fail('turn-unreadable', text);
        }}
        onCommit={(turn_deg) => plan.changeMark(mark, { turn_deg })}
      />
      <Check
        label="It is round"
        checked={mark.round}
        onChange={(round) => plan.changeMark(mark, { round })}
      />
      <button
        type="button"
        className="btn btn-ghost self-start"
        onClick={() => {
          plan.setChosen(null);
          void run(
            changeMark(hands, garden.id, mark.id, null, `taking ${mark.name || mark.kind} off the plan`),
          );
        }}
      >
        Take it off the plan
      </button>
    </section>
  );
}
