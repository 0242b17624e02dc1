export { Dive } from './dive';
export { Prover, type Proof } from './prove';
export type { Answer, Settled } from './proposal';
