import { type Question } from '../../core/rounds/question.ts';
import type { Cover, Look } from '../../records/types.ts';
import { BLANK_LOOK } from '../../records/verbs/verbs.ts';

/** What was tapped on a card so far. */
export interface Pick {
  stage?: NonNullable<Look['stage']>;
  /** What a kernel did between two nails. */
  squeeze?: NonNullable<Look['members'][number]['squeeze']>;
  /** Plants of ten that had come to it. */
  reached?: number;
  /** Share of the ground under leaves. */
  cover?: number;
  height_m?: number;
  weeds?: NonNullable<Look['weeds']>;
  /** Of ten plants or crowns. */
  alive?: number;
  emergence?: NonNullable<Look['emergence']>;
  green?: number;
  seed?: 'none' | 'some' | 'many';
  gaps?: 'none' | 'some' | 'many';
  edges?: 'none' | 'some' | 'many';
  washed?: 'none' | 'some' | 'many';
  /** Seedlings in the frame. */
  plants?: number;
  pests?: NonNullable<Look['pests']>;
  weedKinds?: NonNullable<Look['weedKinds']>;
  soil?: Partial<NonNullable<Look['soil']>>;
}

export const OF_TEN = 10;
/** A frame of half a metre each way. */
export const FRAME_M2 = 0.25;
const GAPS = {
  none: 'Mulch without gaps.',
  some: 'Gaps here and there in the mulch.',
  many: 'Mulch full of gaps.',
};
const EDGES = {
  none: 'Edges, pipes and corners are clean.',
  some: 'It lives on at some edges.',
  many: 'It lives on all along the edges.',
};
const WASHED = {
  none: 'Seed lies where it fell after the rain.',
  some: 'Rain has moved some seed, or sealed the top here and there.',
  many: 'Rain has washed seed into lines, or sealed the top.',
};

/** The look that a card's answer makes; null while it is not answered. Crowns have a command of their own. */
export function lookFrom(
  q: Pick_<Question, 'kind' | 'speciesId'>,
  pick: Pick,
  cover: Pick_<Cover, 'id' | 'bedId' | 'gardenId' | 'parts'>,
  id: string,
  on: string,
): Look | null {
  const base: Look = {
    id,
    gardenId: cover.gardenId,
    bedId: cover.bedId,
    coverId: cover.id,
    on,
    ...BLANK_LOOK,
  };
  const speciesId = q.speciesId ?? cover.parts[0]!.speciesId;
  const member = (more: Partial<Look['members'][number]>): Look => ({
    ...base,
    members: [{ speciesId, stage: null, alive: null, count: null, ...more }],
  });
  switch (q.kind) {
    case 'stage': {
      if (!pick.stage) return null;
      // A kernel tells more than a stage by sight.
      if (pick.squeeze)
        return member({ stage: pick.squeeze === 'hard' ? 'seed' : 'milk', squeeze: pick.squeeze });
      if (pick.stage === 'leafy' || pick.reached === undefined) return member({ stage: pick.stage });
      return member({ tens: { stage: pick.stage, reached: pick.reached, of: OF_TEN } });
    }
    case 'seed':
      if (!pick.seed) return null;
      return pick.seed === 'none'
        ? member({ tens: { stage: 'seed', reached: 0, of: OF_TEN } })
        : member({ tens: { stage: 'seed', reached: pick.seed === 'some' ? 3 : 8, of: OF_TEN } });
    case 'cover':
      return pick.cover === undefined ? null : { ...base, cover: pick.cover };
    case 'height':
      return pick.height_m === undefined ? null : { ...base, height_m: pick.height_m };
    case 'weeds':
      return pick.weeds
        ? { ...base, weeds: pick.weeds, ...(pick.weedKinds?.length ? { weedKinds: pick.weedKinds } : {}) }
        : null;
    case 'alive':
      return pick.alive === undefined ? null : member({ alive: pick.alive / OF_TEN });
    case 'emergence':
      return pick.emergence ? { ...base, emergence: pick.emergence } : null;
    case 'gaps':
      return pick.gaps ? { ...base, about: 'gaps', note: GAPS[pick.gaps] } : null;
    case 'edges':
      return pick.edges ? { ...base, about: 'edges', note: EDGES[pick.edges] } : null;
    case 'washed':
      return pick.washed ? { ...base, about: 'washed', note: WASHED[pick.washed] } : null;
    case 'pests':
      return pick.pests ? { ...base, about: 'pests', pests: pick.pests } : null;
    case 'frame':
      return pick.plants === undefined ? null : member({ count: { plants: pick.plants, area_m2: FRAME_M2 } });
    case 'soil': {
      const { depth_cm, worms, crumb, smell } = pick.soil ?? {};
      return depth_cm === undefined || worms === undefined || !crumb || !smell
        ? null
        : { ...base, soil: { depth_cm, worms, crumb, smell } };
    }
    case 'crowns':
    case 'peek':
      return pick.green === undefined ? null : { ...base, crowns: { green: pick.green, of: OF_TEN } };
  }
}
type Pick_<T, K extends keyof T> = { [P in K]: T[P] };
