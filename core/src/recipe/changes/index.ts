export {
  addAlternative,
  duplicateAlternative,
  insertAlternative,
  pickOption,
  removeAlternative,
  renameAlternative,
  setReference,
} from './alternatives.js';
export { dropOwnParameter, setOwnParameter, setParameter } from './parameters.js';
export { setRule, setStep, setTitle } from './steps.js';
