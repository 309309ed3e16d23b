import { useEffect, useRef, useState } from 'react';
import { askQuick } from '../workers/core/client.ts';
import { type Kind, type Questions } from '../workers/core/protocol.ts';

/**
 * The answer to a question that changes under the hand: one is under way at a time, and when it is answered the newest is asked,
 * so that a slider never runs ahead of the core and never waits for questions it has left behind. Null input gives no answer.
 */
export function useLive<K extends Kind>(
  kind: K,
  input: Questions[K]['input'] | null,
): Questions[K]['answer'] | null {
  const [answer, setAnswer] = useState<Questions[K]['answer'] | null>(null);
  const state = useRef({ busy: false, next: null as Questions[K]['input'] | null, gone: false });
  useEffect(() => {
    const s = state.current;
    s.gone = false;
    return () => {
      s.gone = true;
    };
  }, []);
  useEffect(() => {
    const s = state.current;
    s.next = input;
    if (input === null) {
      setAnswer(null);
      return;
    }
    const pump = () => {
      if (s.busy || s.next === null || s.gone) return;
      const asked = s.next;
      s.next = null;
      s.busy = true;
      void askQuick(kind, asked).answer.then((r) => {
        s.busy = false;
        if (!s.gone && r.ok) setAnswer(r.value);
        pump();
      });
    };
    pump();
  }, [kind, input]);
  return answer;
}
