import { type Thirst } from '../core/choose/begin.ts';
import { type UnitChoice } from '../core/units/show.ts';
import { thirstWords } from './offerWords.ts';

/** Of what a cover drinks, rain that brings this much leaves nothing to think about. */
const WORTH_A_THOUGHT = 0.6;

/** Rain against thirst, and whether what is wanting is given; nothing where rain brings most of it and nobody waters. */
export function DryWeeks({
  thirst,
  units,
  checked,
  onChange,
}: {
  thirst: Thirst;
  units: UnitChoice;
  checked: boolean;
  onChange(checked: boolean): void;
}) {
  if (!checked && thirst.rain_mm > thirst.drinks_mm * WORTH_A_THOUGHT) return null;
  return (
    <label className="mt-2 flex max-w-3xl cursor-pointer items-start gap-2 text-sm font-bold">
      <input
        type="checkbox"
        className="checkbox checkbox-sm mt-0.5"
        checked={checked}
        onChange={(e) => onChange(e.target.checked)}
      />
      <span className="min-w-0">
        Watered through dry weeks. <span className="text-bark font-normal">{thirstWords(thirst, units)}</span>
      </span>
    </label>
  );
}
