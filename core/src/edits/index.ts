export {
  duplicateAlternative,
  insertAlternative,
  pickOption,
  removeAlternative,
  renameAlternative,
  setReference,
  decideFor,
} from './choices/alternatives.js';
export {
  addAllCombinations,
  addChoice,
  addOption,
  recordIntoOption,
  removeChoice,
  removeOption,
  renameChoice,
  renameOption,
  setOptionChanges,
  withOption,
} from './choices/choices.js';
export { changeShown, changeShownAlone, optionsThatChange, shownDesign } from './choices/shown.js';
export { usesOf, type ExpressionPlace } from './expressions.js';
export { addFigure, moveFigure, removeFigure, setFigure, setFigureField } from './figures.js';
export { giveBack, type GivenBack } from './compound/give-back.js';
export { setGroupSection, type SectionSource } from './compound/group-sections.js';
export { freeId, freeTitle } from './ids.js';
export {
  addCombination,
  addLoadCase,
  listCombinations,
  removeCombination,
  removeLoadCase,
  setCombination,
  setCombine,
  setFactor,
  setLoadCase,
} from './loads.js';
export { addStepWithSection, sectionForAll } from './compound/with-sections.js';
export { applyFix, type Fix } from './compound/fixes.js';
export {
  addParameter,
  dropOwnParameter,
  removeParameter,
  renameParameter,
  setOwnParameter,
  setParameter,
  setParameterFields,
  setValue,
} from './parameters.js';
export { drawMember } from './compound/drawn.js';
export { addPoint, movePoint, removePoint } from './points.js';
export { addRule, giveByRule, moveRule, removeRule, setRule, setRuleField } from './rules.js';
export {
  addAxis,
  addSections,
  addSection,
  removeAxis,
  setAnalysis,
  setAxis,
  setSetting,
  setTitle,
} from './settings.js';
export { addStep, duplicateStep, moveStep, removeStep, setStep, setStepField, switchStep } from './steps.js';
export { takeTypedParameter, type TypedParameter } from './compound/typed-parameter.js';
