import { type Factor } from '../known/factor.ts';

/** A fact that speaks for or against a cover; the interface makes the sentence. Days are absolute, odds 0..1. */
export interface Reason {
  side: 'for' | 'against';
  code:
    | 'feeds'
    | 'covered-early'
    | 'in-time'
    | 'frost-ends-it'
    | 'holds-weeds'
    | 'flowers'
    | 'mulch'
    | 'late'
    | 'no-kit'
    | 'crimp-too-early'
    | 'method-fails'
    | 'ties-up-nitrogen'
    | 'hazard'
    | 'thin-stand'
    | 'sets-seed'
    | 'frost-may-spare'
    | 'leaves-the-bed'
    | 'restricted'
    | Factor['code'];
  facts: Record<string, number | string>;
}
