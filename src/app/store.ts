import { configureStore, createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { type TypedUseSelectorHook, useDispatch, useSelector } from 'react-redux';
import { failureWords } from '../ui/failureWords.ts';
import { type Failure } from '../core/result/result.ts';

/** Interface state only: ids and messages, never records. The open garden is remembered between visits. */
interface Session {
  gardenId: string | null;
  message: { text: string; tone: 'problem' | 'done' } | null;
}

const KEY = 'kilim.open-garden';

const session = createSlice({
  name: 'session',
  initialState: { gardenId: localStorage.getItem(KEY), message: null } as Session,
  reducers: {
    openGarden(state, action: PayloadAction<string | null>) {
      state.gardenId = action.payload;
    },
    failed(state, action: PayloadAction<Failure>) {
      state.message = { text: failureWords(action.payload), tone: 'problem' };
    },
    told(state, action: PayloadAction<string>) {
      state.message = { text: action.payload, tone: 'done' };
    },
    messageRead(state) {
      state.message = null;
    },
  },
});

export const { openGarden, failed, told, messageRead } = session.actions;
export const store = configureStore({ reducer: { session: session.reducer } });
store.subscribe(() => {
  const id = store.getState().session.gardenId;
  if (id) localStorage.setItem(KEY, id);
  else localStorage.removeItem(KEY);
});

type State = ReturnType<typeof store.getState>;
export const useApp: TypedUseSelectorHook<State> = useSelector;
export const useAct = (): typeof store.dispatch => useDispatch();
