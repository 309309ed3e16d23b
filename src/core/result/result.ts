import { type FailureCode } from './codes.ts';

/** Expected failure as a value: `code` names the kind, the other fields carry the facts. Sentences are made in the interface. */
export type Result<T, F extends { code: string } = Failure> =
  | { ok: true; value: T }
  | { ok: false; failure: F };

export interface Failure {
  code: FailureCode;
  /** What was being read or done, as the gardener would say it ("row 12", "bed 3"). */
  where?: string;
  /** Facts for the sentence. */
  facts?: Record<string, string | number>;
}

export const ok = <T>(value: T): Result<T, never> => ({ ok: true, value });
export const fail = (
  code: FailureCode,
  where?: string,
  facts?: Record<string, string | number>,
): Result<never> => ({
  ok: false,
  failure: { code, where, facts },
});
