import { TestBed } from '@angular/core/testing';
import { ReadersUnits } from './units.service';

describe('the reader’s units', () => {
  const units = () => TestBed.inject(ReadersUnits);
  const text = (value: number) => units().now().inSentence(value, 'length');
  beforeEach(() => localStorage.removeItem('hashira-units'));
  afterEach(() => localStorage.removeItem('hashira-units'));

  it('are metric at first, and what is chosen holds for what is written from then on', () => {
    expect(units().system()).toBe('metric');
    expect(text(3.048)).toBe('3.05 m');
    units().choose('us');
    expect(text(3.048)).toBe('10.0 ft');
  });

  it('are kept in the browser', () => {
    units().choose('us');
    TestBed.resetTestingModule();
    expect(units().system()).toBe('us');
    expect(text(3.048)).toBe('10.0 ft');
  });

  it('are metric where the browser kept something that is no system', () => {
    localStorage.setItem('hashira-units', 'furlongs');
    expect(units().system()).toBe('metric');
  });
});
