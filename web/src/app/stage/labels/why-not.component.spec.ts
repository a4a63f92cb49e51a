import { TestBed } from '@angular/core/testing';
import { problem } from '@hashira/core';
import { WhyNotComponent } from './why-not.component';

describe('why a frame is not calculated', () => {
  const told = (...problems: ReturnType<typeof problem>[]) => {
    const fixture = TestBed.createComponent(WhyNotComponent);
    fixture.componentRef.setInput('problems', problems);
    fixture.detectChanges();
    return [...(fixture.nativeElement as HTMLElement).querySelectorAll('p')].map((one) => one.textContent);
  };
  const way = (words: string) => problem('mechanism', words, {});

  it('tells every problem, and of the ways in which the frame can move the first and how many more', () => {
    const other = problem('no-section', 'A member has no section.', {});
    expect(told(other, way('It sways.'))).toEqual(['A member has no section.', 'It sways.']);
    expect(told(way('It sways.'), way('It turns.'), other)).toEqual([
      'It sways.',
      'A member has no section.',
      'and in 1 more way',
    ]);
    expect(told(way('1'), way('2'), way('3'))).toEqual(['1', 'and in 2 more ways']);
  });
});
