import type { Cover, Walk } from '../../records/types.ts';
import { FRESH_WALK } from '../../records/verbs/seed.ts';

export const walkOf = (cover: Cover): Walk => cover.walk ?? FRESH_WALK;
