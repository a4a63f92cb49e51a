/** Reading files from outside: JSON Schema validation, which compiles code and so runs on the server and command line. */
export * from './base/problem.js';
export { titleWith } from './document/titles.js';
export { useHelpers, type Progress } from './analysis/index.js';
export { solveToFile, type ResultsFile, type SolveOptions } from './files/results-file.js';
export { cutList, type CutList, type CutListRow } from './evaluation/cut-list/cut-list.js';
export { cutListCsv } from './files/csv/cut-list.js';
export { readModel } from './files/model-file.js';
export { checkSchema, parseJson, parseModel, validateModel } from './model/parse.js';
export { frameModelSchema } from './model/schema.js';
export { parseDesign, validateDesign } from './document/read.js';
export { designSchema } from './document/schema.js';
export { checkToFile, type ChecksFile, type CheckOptions } from './files/checks-file.js';
export { buildFrame, type BuiltFrame } from './build/build.js';
export type { Alternative, Design } from './document/types.js';
