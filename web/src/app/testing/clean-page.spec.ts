// For all specs: what one leaves on the page goes with it, lists that are still open too.
let before = new Set<Element>();

beforeEach(() => {
  before = new Set(document.body.children);
});

afterEach(() => {
  for (const one of [...document.body.children]) if (!before.has(one)) one.remove();
});

describe('the page of the specs', () => {
  for (const turn of ['first', 'second'])
    it(`is as it was before what another spec has left: ${turn}`, () => {
      expect(document.querySelector('.left-by-a-spec')).toBeNull();
      const left = document.createElement('div');
      left.className = 'left-by-a-spec';
      document.body.append(left);
    });
});
