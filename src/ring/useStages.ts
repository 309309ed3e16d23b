import { useMemo } from 'react';
import { usualWay } from '../catalogue/catalogue.ts';
import { dayOf } from '../core/calendar/day.ts';
import { type StandAnswer } from '../core/plan/answers.ts';
import { viableRate_g_m2 } from '../core/seed/rate.ts';
import { type Member } from '../core/stand/species.ts';
import { failureWords } from '../ui/failureWords.ts';
import { nextCropOf } from '../questions/methods.ts';
import { useAnswer } from './answers.ts';
import { useGarden } from './garden.tsx';

const YEARS = 100;
const FOLLOWED_D = 330;

/** How a cover goes through its stages at this garden from one sowing day, in loam that is kept moist until it is up. */
export function useStages(
  members: Member[],
  sowOn: string | null,
): { stand?: StandAnswer; failure?: string } {
  const { garden } = useGarden();
  const key = useMemo(
    () =>
      sowOn === null
        ? ''
        : JSON.stringify({
            site: garden.site,
            soil: { texture: 'loam', fertility: 'fair' },
            way: usualWay,
            watered: true,
            members,
            seed_g_m2: viableRate_g_m2(members, 1),
            sowDay: dayOf(sowOn),
            plantDay: dayOf(sowOn) + FOLLOWED_D,
            next: nextCropOf('lettuce', 'transplant'),
            methods: [],
            looks: [],
            today: dayOf(sowOn),
            years: YEARS,
          }),
    [garden.site, members, sowOn],
  );
  const { answer, failure } = useAnswer('forecast', key);
  return { stand: answer?.stand, failure: failure && failureWords(failure) };
}
