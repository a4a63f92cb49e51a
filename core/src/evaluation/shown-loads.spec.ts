import { slipShed } from '../testing/designs.js';
import { plainText } from '../testing/strokes.js';
import { drawingOf, evaluateAlternative } from './index.js';

const design = slipShed();
const run = evaluateAlternative(design, design.alternatives[0]!);
const legend = (options: { result: string; diagram: 'My' | 'utilisation' | 'none' }) =>
  drawingOf(run, options)!.legend.map(({ text }) => plainText(text));

describe('what the legend says of loads that are not drawn', () => {
  it('own weight with its factor, and the imperfection: φ = 1/200·(2/√6.4)·√0.75 = 1/292', () => {
    const lines = legend({ result: 'U1', diagram: 'My' });
    expect(lines).toContain('with own weight × 1.35');
    const phi = (1 / 200) * (2 / Math.sqrt(6.4)) * Math.sqrt(0.75);
    expect(lines).toContain(`with sway imperfection 1/${(1 / phi).toFixed(0)} towards +x`);
    // Service has no imperfections, a load case without own weight none
    expect(legend({ result: 'C1', diagram: 'My' }).join(' ')).not.toContain('imperfection');
    expect(legend({ result: 'S', diagram: 'My' }).join(' ')).not.toContain('own weight');
  });

  it('η is of the combination that is shown, and never above the worst of all', () => {
    expect(legend({ result: 'U2', diagram: 'utilisation' })).toContain('utilisation under U2');
    expect(legend({ result: 'envelope.strength', diagram: 'utilisation' })).toContain(
      'utilisation, the worst of all strength combinations',
    );
  });
});
