import { type PassWork } from '../../core/work/workPlan.ts';
import { useGarden } from '../../ring/garden.tsx';
import { factWords, showMinutes } from '../../ui/workWords.ts';

/** Arithmetic of one step: minutes first, then what they and the care of it follow from. */
export function Facts({ work }: { work: PassWork | undefined }) {
  const { garden } = useGarden();
  if (!work) return null;
  return (
    <div className="text-[0.95rem]">
      {work.minutes > 0 && (
        <p className="font-semibold">
          About {showMinutes(work.minutes)}
          {work.pace && (
            <span className="text-bark font-normal">
              {' '}
              at your own pace ({showMinutes(work.worked)} as worked out)
            </span>
          )}
        </p>
      )}
      <ul>
        {work.facts.map((f, i) => {
          const { text, caution } = factWords(f, garden.units);
          return (
            <li key={i} className={caution ? 'border-madder my-0.5 border-l-4 pl-2' : ''}>
              {text}
            </li>
          );
        })}
      </ul>
    </div>
  );
}
