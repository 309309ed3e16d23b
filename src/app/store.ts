import { configureStore, createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { type TypedUseSelectorHook, useDispatch, useSelector } from 'react-redux';
import { failureWords } from '../ui/failureWords.ts';
import { hands } from '../ring/garden.tsx';
import { type StorageTrouble, watchStorage } from '../records/trouble.ts';
import { type Failure } from '../core/result/result.ts';

/** Interface state only: ids and messages, never records. The open garden is remembered between visits. */
interface Session {
  gardenId: string | null;
  /** False until it is known whether a garden was open when the browser was last shut. */
  sought: boolean;
  message: { text: string; tone: 'problem' | 'done' } | null;
  /** Stands for as long as the database cannot be used. */
  trouble: StorageTrouble | null;
  /** A newer version waits to be taken. */
  newer: boolean;
}

const KEY = 'kilim.open-garden';

const session = createSlice({
  name: 'session',
  initialState: {
    gardenId: localStorage.getItem(KEY),
    sought: localStorage.getItem(KEY) !== null,
    message: null,
    trouble: null,
    newer: false,
  } as Session,
  reducers: {
    openGarden(state, action: PayloadAction<string | null>) {
      state.gardenId = action.payload;
      state.sought = true;
    },
    found(state, action: PayloadAction<string | null>) {
      if (!state.sought) state.gardenId = action.payload;
      state.sought = true;
    },
    failed(state, action: PayloadAction<Failure>) {
      state.message = { text: failureWords(action.payload), tone: 'problem' };
    },
    told(state, action: PayloadAction<string>) {
      state.message = { text: action.payload, tone: 'done' };
    },
    /** A problem message goes when a later write goes through; good news stays until it is read, or another screen is. */
    wentWell(state) {
      if (state.message?.tone === 'problem') state.message = null;
    },
    troubled(state, action: PayloadAction<StorageTrouble | null>) {
      state.trouble = action.payload;
    },
    newerReady(state) {
      state.newer = true;
    },
    messageRead(state) {
      state.message = null;
    },
  },
});

export const { openGarden, failed, told, wentWell, messageRead, newerReady } = session.actions;
export const store = configureStore({ reducer: { session: session.reducer } });
watchStorage(hands.db, (trouble) => store.dispatch(session.actions.troubled(trouble)));
// The browser's quick storage is written when it likes and is lost with a flat battery; the database has the last word.
void hands.db.drafts
  .get(KEY)
  .catch(() => undefined)
  .then((kept) => store.dispatch(session.actions.found(kept?.text ?? null)));
let remembered = store.getState().session.gardenId;
store.subscribe(() => {
  const id = store.getState().session.gardenId;
  if (id === remembered) return;
  remembered = id;
  if (id) localStorage.setItem(KEY, id);
  else localStorage.removeItem(KEY);
  const kept: PromiseLike<unknown> = id
    ? hands.db.drafts.put({ id: KEY, text: id })
    : hands.db.drafts.delete(KEY);
  kept.then(undefined, () => undefined);
});

type State = ReturnType<typeof store.getState>;
export const useApp: TypedUseSelectorHook<State> = useSelector;
export const useAct = (): typeof store.dispatch => useDispatch();
