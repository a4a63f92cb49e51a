import { download } from './design-file';

describe('files to save', () => {
  /** The name under which a text is offered. */
  function nameOf(title: string): string {
    let name = '';
    spyOn(HTMLAnchorElement.prototype, 'click').and.callFake(function (this: HTMLAnchorElement) {
      name = this.download;
    });
    download('{}', `${title}.json`, 'application/json');
    return name;
  }

  it('have a name without what file systems do not take', () => {
    expect(nameOf('Shed: a/b')).toBe('Shed ab.json');
  });

  it('are offered too where a title has a line break', () => {
    expect(nameOf('Shed\nby the slip')).toBe('Shedby the slip.json');
  });

  it('have a name where a title has no letter', () => {
    expect(nameOf('***')).toBe('design.json');
  });
});
