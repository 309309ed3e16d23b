/** Form of the model: raised whenever an answer may come out otherwise, so that what was predicted once is not held against a later model unseen. */
export const MODEL_FORM = 2;
