import { TestBed } from '@angular/core/testing';
import { formatWithUnit, showUnits } from '@hashira/core';
import { Units } from './units.service';

describe('Units', () => {
  const plain = (value: number) => formatWithUnit(value, 'length').replace('\u00a0', ' ');
  beforeEach(() => localStorage.removeItem('hashira-units'));
  afterEach(() => {
    localStorage.removeItem('hashira-units');
    showUnits('metric');
  });

  it('are metric at first, and what is chosen holds for all texts', () => {
    const units = TestBed.inject(Units);
    expect(units.system()).toBe('metric');
    expect(plain(3.048)).toBe('3.05 m');
    units.choose('us');
    expect(units.system()).toBe('us');
    expect(plain(3.048)).toBe('10.0 ft');
  });

  it('are kept in the browser', () => {
    TestBed.inject(Units).choose('us');
    TestBed.resetTestingModule();
    showUnits('metric');
    expect(TestBed.inject(Units).system()).toBe('us');
    expect(plain(3.048)).toBe('10.0 ft');
  });

  it('are metric where the browser kept something that is no system', () => {
    localStorage.setItem('hashira-units', 'furlongs');
    expect(TestBed.inject(Units).system()).toBe('metric');
  });
});
