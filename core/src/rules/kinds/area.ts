import { unitVectors } from '../../model/axes.js';
import { quantityOf, type Written } from '../../language/evaluate.js';
import { custom, loadCase, option, optional, record } from '../../fields/index.js';
import { panelsOf, type PanelFace } from '../../geometry/panels/panels.js';
import { CornerRoom, sharePanel } from '../../geometry/panels/shares.js';
import { dot } from '../../geometry/vector.js';
import { caseFor, checkCase } from './load.js';
import { expression } from '../../fields/schemas.js';
import { memberRule } from '../rule.js';

declare module '../../document/types.js' {
  interface Rule {
    area?: AreaRule;
  }
}

/** Pressure on the panels that members bound, shared out to them. */
export const area = memberRule({
  key: 'area',
  initial: (design) => ({
    area: { case: caseFor(design), direction: 'z', q: '-1 kN/m^2', share: 'two-way' },
  }),
  title: 'Area load',
  words: ({ area: given }) => {
    const { q, direction, share = 'two-way', case: inCase } = given!;
    return `${String(q)} along ${direction}, shared ${share}, in ${inCase}`;
  },
  gives: 'loads',
  fields: {
    area: record(
      {
        case: loadCase({ title: 'load case' }),
        direction: option(['x', 'y', 'z'], { title: 'along' }),
        q: custom(
          { title: 'load' },
          expression,
          (written, context, place) => quantityOf(written as Written, context, 'areaLoad', place),
          { kind: 'quantity', quantity: 'areaLoad' },
        ),
        share: optional(option(['two-way', 'x', 'y', 'long', 'short'], { title: 'shared' })),
        per: optional(option(['length', 'projected'], { title: 'per length of' })),
      },
      { title: '' },
    ),
  },
  apply({ area: given }, matched, context) {
    const { case: inCase, direction, q, share = 'two-way', per = 'length' } = given;
    const { geometry, assignment, rule, names } = context;
    checkCase(inCase, context);
    const name = `Rule "${rule.title}"`;
    const where = { rule: rule.id };
    const note = (code: string, message: string) =>
      assignment.notes.push({ code, message: `${name}: ${message}`, where });
    const faces = panelsOf(
      geometry,
      matched.map(({ thing }) => thing),
    );
    if (matched.length > 0 && faces.length === 0)
      note(
        'no-panel',
        'its members bound no closed panel, so nothing carries the load; select all members around the panels.',
      );
    let [area, applied, expected, panels] = [0, 0, 0, 0];
    const used = new Set<string>();
    const room = new CornerRoom();
    for (const face of faces) {
      const factor = per === 'projected' ? Math.abs(dot(face.normal, unitVectors[direction])) : 1;
      const shared = sharePanel(face, share, room);
      if (typeof shared === 'string') {
        note(
          'panel-not-shared',
          `a panel of ${names.units.inSentence(face.area, 'surface')} at ${placeOf(face)} carries nothing: ${shared}.`,
        );
        continue;
      }
      panels++;
      area += face.area;
      expected += q * factor * face.area;
      for (const { member, from, to, depth, stretch } of shared) {
        const [a, b] = [q * factor * depth[0], q * factor * depth[1]];
        assignment.addLoad(inCase, {
          kind: 'distributed',
          member,
          axes: 'global',
          direction,
          q: [a, b],
          from,
          to,
          per: 'length',
        });
        applied += ((a + b) / 2) * stretch;
        used.add(member);
      }
    }
    for (const member of used) assignment.creditAdded(member, 'load', rule.id);
    const bars = [...used].filter((id) => (assignment.action.get(id) ?? 'frame') !== 'frame');
    if (bars.length > 0)
      note(
        'bar-carries',
        `${bars.length} of the members around its panels carry axial force only; their share goes to their end nodes.`,
      );
    if (panels > 0)
      note(
        'area-load',
        `${names.units.inSentence(area, 'surface', 4)} in ${panels} ${panels === 1 ? 'panel' : 'panels'}; ${names.units.inSentence(expected, 'force', 4)} to be carried, ${names.units.inSentence(applied, 'force', 4)} applied.`,
      );
  },
});

function placeOf({ corners }: PanelFace): string {
  const at = [0, 1, 2].map((k) => corners.reduce((sum, corner) => sum + corner[k]!, 0) / corners.length);
  return `(${at.map((v) => v.toFixed(2)).join(', ')}) m`;
}
