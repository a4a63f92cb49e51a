import { ComponentFixture, TestBed } from '@angular/core/testing';
import { pickOption, setParameter } from '@hashira/core';
import { MessageService } from 'primeng/api';
import { openDesign } from '../../testing/open-design';
import type { DesignWorkspace } from '../../state/design-workspace.service';
import { AlternativesStripComponent } from './alternatives-strip.component';

describe('AlternativesStripComponent', () => {
  let workspace: DesignWorkspace;
  let fixture: ComponentFixture<AlternativesStripComponent>;
  const host = () => fixture.nativeElement as HTMLElement;
  const cards = () => [...host().querySelectorAll<HTMLElement>('.card')];
  const titles = () => workspace.state()!.design.alternatives.map(({ title }) => title);

  beforeEach(async () => {
    workspace = openDesign();
    fixture = TestBed.createComponent(AlternativesStripComponent);
    document.body.append(host());
    await fixture.whenStable();
  });

  it('has a card for each alternative with its frame and its three first figures', () => {
    expect(cards().length).toBe(4);
    const [fixed, , hinged] = cards();
    expect([...fixed!.querySelectorAll('dt')].map((dt) => dt.textContent.trim())).toEqual([
      'Utilisation',
      'Eaves sway',
      'Apex deflection',
    ]);
    expect(fixed!.querySelector('canvas')).not.toBeNull();
    expect(fixed!.textContent).toContain('reference');
    // In a few words what makes it another one
    expect(fixed!.querySelector('.differs')).toBeNull();
    expect(hinged!.querySelector('.differs')!.textContent).toBe('bases pinned, apex hinged');
    expect(hinged!.querySelector('dd.over')!.textContent).toContain('over');
  });

  it('rings what is otherwise than in the reference, and has each number beside the reference’s', () => {
    const rings = cards().map(
      (card) => card.querySelector('.marks path')?.getAttribute('d')?.match(/a4 4/g)?.length ?? 0,
    );
    // Two halves a ring: both bases, and with three hinges the apex as well; haunches are lines too
    expect(rings.slice(0, 3)).toEqual([0, 2 * 2, 2 * 3]);
    expect(cards()[3]!.querySelector('.marks path')!.getAttribute('d')).toContain('L');
    const differences = cards().map((card) => card.querySelector('.difference')?.textContent.trim() ?? '');
    expect(differences[0]).toBe('');
    for (const text of differences.slice(1)) expect(text).toMatch(/^[+−][\d.]+ %$/);
  });

  it('is a group of radio buttons: one is pressed, arrows go round', async () => {
    const radios = () => [...host().querySelectorAll<HTMLElement>('[role=radio]')];
    expect(radios().map((radio) => radio.tabIndex)).toEqual([0, -1, -1, -1]);
    const press = async (key: string) => {
      radios()
        .find((radio) => radio.tabIndex === 0)!
        .dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
      await fixture.whenStable();
    };
    await press('ArrowRight');
    expect(workspace.selected()).toBe('pinned');
    await press('ArrowLeft');
    await press('ArrowLeft');
    expect(workspace.selected()).toBe('haunched');
    expect(document.activeElement).toBe(radios()[3]!);
    radios()[1]!.click();
    expect(workspace.selected()).toBe('pinned');
  });

  it('says why an alternative cannot be calculated, in its card alone', async () => {
    workspace.apply((design) => pickOption(design, 'three-hinges', 'eaves-joint', 'hinged'));
    await fixture.whenStable();
    expect(cards().filter((card) => card.querySelector('.problem')).length).toBe(1);
    expect(cards()[2]!.querySelector('.problem')!.textContent).toContain('can move without resistance');
  });

  it('adds an alternative and looks at it', async () => {
    [...host().querySelectorAll<HTMLElement>('button')]
      .find((button) => button.textContent.includes('+ alternative'))!
      .click();
    await fixture.whenStable();
    expect(titles().length).toBe(5);
    expect(workspace.selected()).toBe('new-alternative');
  });

  it('adds and duplicates while an option is recorded, and what was recorded stays', async () => {
    workspace.beginRecording('base-fixity', 'pinned');
    workspace.apply((design) => setParameter(design, 'span', '26 m'));
    const changes = () =>
      workspace
        .state()!
        .design.choices.find(({ id }) => id === 'base-fixity')!
        .options.find(({ id }) => id === 'pinned')!.changes;
    const before = changes();
    expect(before.parameters).toEqual({ span: '26 m' });
    [...host().querySelectorAll('button')]
      .find((button) => button.textContent.includes('+ alternative'))!
      .click();
    await fixture.whenStable();
    expect(titles().length).toBe(5);
    expect(changes()).toEqual(before);
  });

  it('removes one, and brings it back to its place although other things changed since', () => {
    const messages: { data: { action: () => void } }[] = [];
    TestBed.inject(MessageService).messageObserver.subscribe((message) =>
      messages.push(message as unknown as (typeof messages)[number]),
    );
    const strip = fixture.componentInstance as unknown as { remove: (alternative: object) => void };
    strip.remove(workspace.state()!.design.alternatives[0]!);
    expect(titles()).toEqual(['Pinned bases', 'Three hinges', 'Pinned with haunches']);
    expect(workspace.state()!.design.reference).toBe('pinned');
    workspace.apply((design) => ({ ...design, title: 'Other' }));
    messages[0]!.data.action();
    expect(titles()[0]).toBe('Fixed bases');
    expect(workspace.state()!.design).toEqual(
      jasmine.objectContaining({ reference: 'fixed', title: 'Other' }),
    );
  });
});
