import { type z } from 'zod';

const KINDS: Record<string, string> = {
  string: 'text',
  number: 'a number',
  int: 'a whole number',
  array: 'a list',
  object: 'a record',
  record: 'a list by name',
  boolean: 'yes or no',
  tuple: 'a pair of numbers',
  null: 'nothing',
};

/** What a schema objects to, in words for whoever holds the file. */
export function problemOf(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case 'invalid_type': {
      const wanted = KINDS[issue.expected] ?? 'something else';
      return issue.input === undefined && / received undefined$/.test(issue.message)
        ? 'it is missing'
        : `${wanted} belongs here`;
    }
    case 'too_small':
      return `it must be ${issue.inclusive === false ? 'more than' : 'at least'} ${String(issue.minimum)}`;
    case 'too_big':
      return `it must be at most ${String(issue.maximum)}`;
    case 'invalid_value':
      return `it must be one of ${issue.values.map(String).join(', ')}`;
    case 'custom':
      return issue.message;
    default:
      return 'it has not the form that belongs here';
  }
}
