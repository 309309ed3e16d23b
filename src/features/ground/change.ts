import type { Garden } from '../../records/types.ts';

/** Changes something of the garden as it stands; steps of a slider join. */
export type Change = (label: string, patch: (g: Garden) => Partial<Garden>, joins?: boolean) => void;
