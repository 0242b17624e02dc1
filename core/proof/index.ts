export { Prover, type Answer, type Settled, type Proof } from './prove';
export { isImpossible } from './impossible';
