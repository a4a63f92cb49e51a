/** Reading files from outside: JSON Schema validation, which compiles code and so runs on the server and command line. */
export * from './problem.js';
export { titleWith } from './titles.js';
export { useHelpers, type Progress } from './analysis/index.js';
export { solveToFile, type ResultsFile, type SolveOptions } from './exchange/results-file.js';
export { cutList, cutListCsv, type CutList, type CutListRow } from './exchange/cut-list/cut-list.js';
export { readModel } from './exchange/model-file.js';
export { parseModel, validateModel } from './model/parse.js';
export { frameModelSchema } from './model/schema.js';
export { parseDesign, validateDesign } from './recipe/parse.js';
export { designSchema } from './recipe/schema.js';
export { checkToFile, type ChecksFile, type CheckOptions } from './exchange/checks-file.js';
export { buildFrame, type BuiltFrame } from './recipe/build.js';
export type { Alternative, Design } from './recipe/types.js';
