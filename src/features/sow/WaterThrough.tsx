import { dayOf } from '../../core/calendar/day.ts';
import { thirstOf } from '../../core/choose/begin.ts';
import { plantBackDay } from '../../questions/cover.ts';
import { changeCover } from '../../records/commands/change.ts';
import type { Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { DryWeeks } from '../../ui/DryWeeks.tsx';

/** Whether a cover on a bed lives on rain or is watered as a crop is: its forecasts go by it. */
export function WaterThrough({ cover }: { cover: Cover }) {
  const { garden, plantings, hands, run } = useGarden();
  const irrigated = cover.irrigated === true;
  if (cover.verdict === 'dead' || !(irrigated || garden.kit.includes('hose'))) return null;
  const thirst = thirstOf(garden.site, dayOf(cover.sownOn ?? cover.sowOn), plantBackDay(cover, plantings));
  const say = (to: boolean) =>
    run(
      changeCover(hands, cover, 'water-through', 'watering through dry weeks', () => ({
        irrigated: to,
      })),
    );
  return (
    <DryWeeks thirst={thirst} units={garden.units} checked={irrigated} onChange={(to) => void say(to)} />
  );
}
