import { readFileSync } from 'node:fs';
import { parseDesign } from '../../document/read.js';
import type { Changes, Design } from '../../document/types.js';
import { optionSentences } from './option-sentences.js';

function demo(name: string): Design {
  const read = parseDesign(readFileSync(new URL(`../../../demo/${name}.json`, import.meta.url), 'utf8'));
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return read.value;
}

/** Sentences of an option of a demo design, by its title. */
function told(design: Design, title: string): string[] {
  const option = design.choices.flatMap(({ options }) => options).find((one) => one.title === title)!;
  return optionSentences(option, design);
}

const of = (changes: Changes, design: Design) => optionSentences({ id: 'o', title: 'o', changes }, design);

describe('what an option changes, in sentences', () => {
  it('a rule: what it gives, and what it gave', () => {
    const shed = demo('slip-shed');
    expect(told(shed, 'fixed')).toEqual([]);
    expect(told(shed, 'pinned')).toEqual(['Bases: pinned, not fixed']);
    expect(told(shed, 'hinged')).toEqual(['adds Hinge at the apex: turns freely, for apexes']);
  });

  it('a step: fields by their titles, conditions as they are said, added ones as on the recipe', () => {
    expect(told(demo('quay-arch'), 'parabolic')).toEqual(['Roof arch: curve parabolic']);
    expect(told(demo('slip-shed'), 'haunched')[0]).toMatch(/^adds Haunches at the eaves: /);
    const [bracing] = told(demo('winch-bed'), 'one diagonal');
    expect(bracing).toContain('diagonal');
    expect(bracing).not.toMatch(/[{}"]|undefined/);
  });

  it('parameters by their values, where those are told', () => {
    const shed = demo('slip-shed');
    const option = shed.choices.flatMap(({ options }) => options).find(({ title }) => title === 'haunched')!;
    const texts = new Map([
      ['haunch_length', '2.2 m'],
      ['haunch_depth', '500 mm'],
    ]);
    expect(optionSentences(option, shed)[0]).toContain('haunch_length');
    expect(optionSentences(option, shed, texts)[0]).toMatch(/^adds Haunches at the eaves: .*2\.2 m/);
    expect(optionSentences(option, shed, texts)[0]).not.toMatch(/haunch_/);
    expect(
      optionSentences(
        {
          id: 'o',
          title: 'o',
          changes: { rules: [{ id: 'columns', section: { parameter: 'rafter_section' } }] },
        },
        shed,
        new Map([
          ['rafter_section', 'IPE 500'],
          ['column_section', 'HEB 300'],
          ['steel', 'S355'],
        ]),
      ),
    ).toEqual(['Columns: IPE 500 in S355, not HEB 300 in S355']);
  });

  it('what is switched off and on, and for what a rule is', () => {
    const hall = demo('boat-hall');
    const sentences = told(hall, 'portal frames both ways');
    expect(sentences[0]).toMatch(/: switched off$/);
    expect(sentences.some((one) => one.includes(' for purlins'))).toBeTrue();
  });

  it('a parameter: the value and what it is otherwise', () => {
    expect(of({ parameters: { span: '24 m' } }, demo('slip-shed'))).toEqual(['Span: 24 m, not 22 m']);
  });

  it('never as code: every option of every demo design', () => {
    for (const name of ['slip-shed', 'boat-hall', 'quay-arch', 'lookout-tower', 'winch-bed']) {
      const design = demo(name);
      for (const { options } of design.choices)
        for (const option of options)
          for (const sentence of optionSentences(option, design))
            expect(sentence).not.toMatch(/[{}]|undefined|null/);
    }
  });
});
