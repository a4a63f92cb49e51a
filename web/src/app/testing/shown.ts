import { By } from '@angular/platform-browser';
import type { Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { Design } from '@hashira/core';
import type { DesignWorkspace } from '../state/design-workspace.service';
import { takeFrom } from './lists';
import { chooseOf } from './menus';
import { openDesign, quickShed } from './open-design';

/** A component over an open design, with the hands of a user. */
export class Shown {
  private constructor(
    readonly workspace: DesignWorkspace,
    private readonly fixture: ComponentFixture<unknown>,
  ) {}

  static async of(component: Type<unknown>, design: Design = quickShed()): Promise<Shown> {
    const workspace = openDesign(design);
    const fixture = TestBed.createComponent(component);
    const shown = new Shown(workspace, fixture);
    document.body.append(shown.host);
    await shown.settled();
    return shown;
  }

  get host(): HTMLElement {
    return this.fixture.nativeElement as HTMLElement;
  }

  get design(): Design {
    return this.workspace.state()!.design;
  }

  get text(): string {
    return this.host.textContent.replace(/\s+/g, ' ');
  }

  /** What was asked for has been answered and is shown. */
  async settled(): Promise<void> {
    await new Promise((done) => setTimeout(done));
    await this.fixture.whenStable();
  }

  /** Sets an input of the component. */
  set(input: string, value: unknown): void {
    this.fixture.componentRef.setInput(input, value);
  }

  /** The first component of a type within. */
  child<T>(type: Type<T>): T {
    return this.fixture.debugElement.query(By.directive(type)).componentInstance as T;
  }

  /** A button by its words or its label, the first that has them. */
  button(words: string): HTMLButtonElement {
    const found = [...this.host.querySelectorAll('button')].find(
      (one) => one.textContent.trim() === words || one.getAttribute('aria-label') === words,
    );
    if (!found) throw new Error(`There is no button "${words}" in: ${this.text}`);
    return found;
  }

  async press(words: string): Promise<void> {
    this.button(words).click();
    await this.settled();
  }

  /** A field by its label, whether that is an attribute or stands beside it. */
  field(label: string): HTMLInputElement {
    const beside = [...this.host.querySelectorAll('label')].find((one) => one.textContent.trim() === label);
    const found =
      this.host.querySelector<HTMLInputElement>(`[aria-label="${label}"]`) ??
      (beside && document.getElementById(beside.htmlFor)) ??
      beside?.querySelector('input');
    if (!found) throw new Error(`There is no field "${label}" in: ${this.text}`);
    return found as HTMLInputElement;
  }

  /** Types into a field, or chooses the option of a list or of a menu whose words are these. */
  async enter(label: string, text: string): Promise<void> {
    const field = this.field(label);
    if (field.getAttribute('aria-haspopup') === 'menu') {
      await chooseOf(field, text);
      await this.settled();
      return;
    }
    if (field.getAttribute('aria-haspopup') === 'listbox') {
      await takeFrom(field, text);
      await this.settled();
      return;
    }
    field.value = text;
    field.dispatchEvent(new Event('change'));
    await this.settled();
  }

  /** Closes it, as going to another leaf does. */
  close(): void {
    this.fixture.destroy();
  }
}
