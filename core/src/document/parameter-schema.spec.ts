import { slipShed } from '../testing/designs.js';
import { addParameter } from '../edits/index.js';
import { initialParameter, parameterFields, parameterStarts } from './parameter-schema.js';
import { evaluateParameters, parameterNameProblem } from '../build/parameters.js';
import { validateDesign } from './read.js';

describe('a new parameter', () => {
  it('of every kind has a name that may be used and a value that can be evaluated', () => {
    let design = slipShed();
    for (const start of [...parameterStarts, ...parameterStarts]) {
      const parameter = initialParameter(
        start,
        design.parameters.map(({ name }) => name),
      );
      expect(parameterNameProblem(parameter.name)).withContext(parameter.name).toBeUndefined();
      design = addParameter(design, parameter);
    }
    expect(validateDesign(structuredClone(design)).ok).toBeTrue();
    expect(evaluateParameters(design).problems).toEqual([]);
    expect(design.parameters.length).toBe(slipShed().parameters.length + 2 * parameterStarts.length);
  });

  it('has a range where it is a number, and none where it is a name', () => {
    const paths = (of: string) =>
      Object.keys(
        parameterFields(
          initialParameter(
            parameterStarts.find((one) => one.of === of)!,
            [],
          ),
        ),
      );
    expect(paths('length')).toEqual(['title', 'min', 'max', 'step', 'group']);
    expect(paths('section')).toEqual(['title', 'group']);
  });
});
