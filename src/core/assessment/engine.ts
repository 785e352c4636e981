/** Changes whenever the same attempt may be judged otherwise: kept judgements of another version are made anew. */
export const engineVersion = 7
