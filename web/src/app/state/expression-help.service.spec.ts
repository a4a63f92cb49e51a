import { TestBed } from '@angular/core/testing';
import { setValue } from '@hashira/core';
import { openDesign } from '../testing/open-design';
import { ExpressionHelp } from './expression-help.service';

describe('ExpressionHelp', () => {
  const plain = (text: string | undefined) => text?.replace('\u00a0', ' ');

  it('follows the design and the alternative that is shown', () => {
    const workspace = openDesign();
    const help = TestBed.inject(ExpressionHelp);
    const half = () => plain(help.value('span / 2', { quantity: 'length' }).value);
    expect(half()).toBe('11.0000 m');
    workspace.apply((design) => setValue(design, 'span', '30 m', 'pinned'));
    expect(half()).toBe('11.0000 m');
    workspace.select('pinned');
    expect(half()).toBe('15.0000 m');
    expect(plain(help.completions('spa', {})[0]!.about)).toBe('Span, 30.0 m');
  });

  it('has no names where the parameters themselves are wrong', () => {
    const workspace = openDesign();
    workspace.apply((design) => setValue(design, 'span', 'eaves +'));
    const help = TestBed.inject(ExpressionHelp);
    expect(help.completions('ea', {})).toEqual([]);
    expect(help.value('eaves', { quantity: 'length' }).problem).toContain('"eaves"');
    expect(plain(help.value('3 m', { quantity: 'length' }).value)).toBe('3.00000 m');
  });
});
