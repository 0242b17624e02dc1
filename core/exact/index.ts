export { add, ceiling, divide, fraction, multiply, subtract, type Fraction } from './decimal';
