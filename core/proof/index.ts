export { Prover, type Answer, type Proof } from './prove';
