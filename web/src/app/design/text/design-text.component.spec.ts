import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { EditorView } from '@codemirror/view';
import { completionStatus, currentCompletions, startCompletion } from '@codemirror/autocomplete';
import { setParameter, type Design } from '@hashira/core';
import { of, throwError, type Observable } from 'rxjs';
import { ApiProblem, DesignApi } from '../../state/saving/design-api.service';
import { openDesign, quickShed } from '../../testing/open-design';
import type { DesignWorkspace } from '../../state/design-workspace.service';
import { DesignTextComponent } from './design-text.component';

describe('DesignTextComponent', () => {
  let workspace: DesignWorkspace;
  let fixture: ComponentFixture<DesignTextComponent>;
  /** What the server would say. */
  let answer: (document: unknown) => Observable<Design>;
  const host = () => fixture.nativeElement as HTMLElement;
  const editor = () => EditorView.findFromDOM(host().querySelector<HTMLElement>('.cm-editor')!)!;
  const text = () => editor().state.doc.toString();
  const told = () => host().querySelector('.told')!.textContent;
  const span = () => workspace.state()!.design.parameters.find(({ name }) => name === 'span')!.value;

  beforeEach(async () => {
    answer = (document) => of(document as Design);
    workspace = openDesign(quickShed(), [
      { provide: DesignApi, useValue: { read: (document: unknown) => answer(document) } },
    ]);
    fixture = TestBed.createComponent(DesignTextComponent);
    document.body.append(host());
    await fixture.whenStable();
  });

  /** Types in the place of a text, and waits until it was read. */
  async function type(instead: string, insert: string): Promise<void> {
    const from = text().indexOf(instead);
    expect(from).toBeGreaterThanOrEqual(0);
    editor().dispatch({
      changes: { from, to: from + instead.length, insert },
      selection: { anchor: from + insert.length },
      userEvent: 'input.type',
    });
    await new Promise((done) => setTimeout(done, 500));
    await fixture.whenStable();
  }

  it('takes a text that is a design up at once, as one change that can be undone', async () => {
    const before = span();
    await type(`"value": "${before}"`, '"value": "25 m"');
    expect(span()).toBe('25 m');
    expect(told()).toContain('taken up at once');
    workspace.undo();
    await fixture.whenStable();
    expect(span()).toBe(before);
    expect(text()).toContain(`"value": "${before}"`);
  });

  it('follows changes that are made elsewhere', async () => {
    workspace.apply((design) => setParameter(design, 'span', '21 m'));
    await fixture.whenStable();
    expect(text()).toContain('"value": "21 m"');
  });

  it('says where a text is no JSON, and keeps the design', async () => {
    const before = workspace.state()!.design;
    await type('"format":', '"format"');
    expect(told()).toContain('Not taken up');
    expect(host().querySelector('.problems')!.textContent.trim()).toMatch(/^Line \d+: /);
    expect(workspace.state()!.design).toBe(before);
    // What is typed is not lost when the design changes meanwhile
    workspace.apply((design) => setParameter(design, 'span', '21 m'));
    await fixture.whenStable();
    expect(text()).toContain('"format" "hashira-design"');
    host().querySelector<HTMLButtonElement>('.press')!.click();
    await fixture.whenStable();
    expect(text()).toContain('"format": "hashira-design"');
    expect(text()).toContain('"value": "21 m"');
  });

  it('marks what is wrong with a design where it stands', async () => {
    const message = 'The reference "nobody" is no alternative of the design';
    answer = () =>
      throwError(
        () =>
          new ApiProblem(422, message, [{ code: 'invalid-design', message, where: { path: '/reference' } }]),
      );
    await type(`"reference": "${workspace.state()!.design.reference}"`, '"reference": "nobody"');
    expect(host().querySelector('.problems')!.textContent).toContain(message);
    expect(host().querySelector('.cm-lintRange-error')).not.toBeNull();
    host().querySelector<HTMLButtonElement>('.problems button')!.click();
    const { from, to } = editor().state.selection.main;
    expect(editor().state.sliceDoc(from, to)).toBe('"reference"');
  });

  it('keeps what is no design yet while the leaf is closed, and takes it up when it is one', async () => {
    await type('"format":', '"format"');
    fixture.destroy();
    fixture = TestBed.createComponent(DesignTextComponent);
    document.body.append(host());
    await fixture.whenStable();
    expect(text()).toContain('"format" "hashira-design"');
    expect(told()).toContain('Not taken up');
    await type('"format"', '"format":');
    expect(told()).toContain('taken up at once');
    // Typed and left before it was read
    editor().dispatch({
      changes: { from: text().indexOf('22 m'), to: text().indexOf('22 m') + 4, insert: '26 m' },
    });
    fixture.destroy();
    fixture = TestBed.createComponent(DesignTextComponent);
    document.body.append(host());
    await new Promise((done) => setTimeout(done, 500));
    await fixture.whenStable();
    expect(span()).toBe('26 m');
  });

  it('says that the server does not answer', async () => {
    answer = () =>
      throwError(() => new ApiProblem(0, 'The server does not answer; it may have been stopped.'));
    await type('"Slip shed"', '"Shed"');
    expect(host().querySelector('.problems')!.textContent).toContain('does not answer');
  });

  it('offers what can stand at the caret', async () => {
    await type('"make": "portal"', '"make": "p"');
    // Between the quotes
    editor().dispatch({ selection: { anchor: editor().state.selection.main.head - 1 } });
    startCompletion(editor());
    for (let i = 0; i < 100 && completionStatus(editor().state) !== 'active'; i++)
      await new Promise((done) => setTimeout(done, 20));
    expect(currentCompletions(editor().state).map(({ label }) => label)).toContain('"portal"');
  });
});
