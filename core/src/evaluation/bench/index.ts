export { benchOf, type Bench, type BenchLoad, type BenchNode } from './bench.js';
export { benchState, type AddedLoad, type BenchChanges, type BenchState } from './bench-state.js';
