import { pickOption } from '@hashira/core';
import { sceneOf, calculatedSlipShed, slipShed } from '../testing/slip-shed';
import { calculateDesign } from '../workspace/calculate-design';
import { stageContent } from './stage-content';

describe('what a stage shows', () => {
  const { layers, scales } = sceneOf(calculatedSlipShed()[0]!, 'U1');

  it('is the results of the load case or combination', () => {
    const [fixed] = calculateDesign(slipShed());
    expect(stageContent(fixed, 'C1', layers, scales)!.selection!.id).toBe('C1');
    expect(stageContent(fixed, 'nothing', layers, scales)!.selection).toBeUndefined();
  });

  it('is the movement of a mechanism, without results', () => {
    const result = calculateDesign(pickOption(slipShed(), 'three-hinges', 'eaves-joint', 'hinged'))[2];
    const content = stageContent(result, 'U1', layers, scales)!;
    expect(content.calculated).toBeUndefined();
    expect(Object.keys(content.mechanism!)).toContain('shed.apex');
  });

  it('is nothing when the geometry could not be built; the parameters that stand are kept', () => {
    const design = slipShed();
    design.parameters[1]!.value = 'spann / 3';
    const [result] = calculateDesign(design);
    expect(stageContent(result, 'U1', layers, scales)).toBeUndefined();
    expect(result!.ok).toBeFalse();
    if (!result!.ok) expect(result!.parameters!.scope.has('span')).toBeTrue();
  });
});
