export { Prover, type Answer, type Settled, type Proof } from './prove';
