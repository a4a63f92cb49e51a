import { lazily } from './lazily.js';

describe('lazily', () => {
  it('makes a value once, when it is asked for, be it undefined', () => {
    for (const value of [7, undefined]) {
      const make = jasmine.createSpy().and.returnValue(value);
      const asked = lazily(make);
      expect(make).not.toHaveBeenCalled();
      expect([asked(), asked()]).toEqual([value, value]);
      expect(make).toHaveBeenCalledTimes(1);
    }
  });
});
