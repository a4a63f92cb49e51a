import { ListKeyManager, type ListKeyManagerOption } from '@angular/cdk/a11y';
import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  Injector,
  computed,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import {
  lookUpProfile,
  massOf,
  outlinePath,
  searchProfiles,
  sectionDetails,
  seriesFor,
  significant,
  type CatalogueEntry,
  type OutlinePath,
  type OwnSection,
  type Section,
} from '@hashira/core';
import { Popover } from 'primeng/popover';
import { ActionDirective } from '../action.directive';
import { fieldSurroundings } from '../fields/field-surroundings';
import { OwnSectionComponent } from './own-section.component';
import { BesideOpenerDirective } from '../library/beside-opener.directive';

/** Series that are offered; typing finds the others. */
const mostSeries = 24;
/** Rows that are drawn at once; typing more finds the others. */
const mostRows = 60;
/** Side of an outline's box, px. */
const box = 34;

/** A section as a row of the list, with its numbers as texts. */
interface Row extends ListKeyManagerOption {
  readonly name: string;
  readonly path: string;
  readonly view: string;
  readonly size: string;
  readonly mass: string;
  readonly modulus: string;
  readonly second: string;
}

/**
 * A section chosen from the library: by a part of its name in any spelling, by its series, or by a question. Every row shows what matters
 * of it; the one that is pointed at is drawn to scale over the one that is chosen. Up and down go through the rows, Enter takes one.
 */
@Component({
  selector: 'app-section-picker',
  imports: [ActionDirective, BesideOpenerDirective, OwnSectionComponent, Popover],
  template: `
    <button
      #trigger
      type="button"
      class="plain trigger"
      role="combobox"
      aria-haspopup="dialog"
      aria-controls="picker-list"
      [id]="inputId()"
      [attr.aria-label]="label()"
      [attr.aria-expanded]="open()"
      (click)="toggle($event)"
    >
      {{ value() || 'choose' }} <span class="soft" aria-hidden="true">▾</span>
    </button>
    <p-popover
      #panel
      [ariaLabel]="label() + ', sections of the library'"
      [focusOnShow]="false"
      (onShow)="opened()"
      (onHide)="closed()"
    >
      <div class="picker">
        <div class="tabs" role="group" aria-label="Where it comes from">
          <button appAction [attr.aria-pressed]="!making()" (click)="making.set(false)">library</button>
          <button appAction [attr.aria-pressed]="making()" (click)="making.set(true)">make one</button>
          @for (one of own(); track one.id) {
            <button appAction class="own" [attr.aria-pressed]="one.id === value()" (click)="take(one.id)">
              {{ one.id }}
            </button>
          }
        </div>
        @if (making()) {
          <app-own-section [like]="value()" [taken]="ownNames()" (made)="takeMade($event)" />
        } @else {
          <input
            #search
            type="search"
            role="searchbox"
            autocomplete="off"
            spellcheck="false"
            placeholder="a name, or: lightest HEA with Wpl,y above 1200 cm3"
            aria-controls="picker-list"
            [attr.aria-activedescendant]="rows().length > 0 ? 'picker-' + active() : null"
            [value]="text()"
            (input)="type(search.value)"
            (keydown)="key($event)"
          />
          <div class="series" role="group" aria-label="Series">
            @for (name of series(); track name) {
              <button
                appAction
                [attr.aria-pressed]="name === chosen()"
                (click)="chosen.set(name === chosen() ? undefined : name); keys.updateActiveItem(0)"
              >
                {{ name }}
              </button>
            }
          </div>
          @if (drawn(); as d) {
            <figure>
              <svg [attr.viewBox]="d.view" aria-hidden="true">
                @if (d.before; as before) {
                  <path
                    class="before"
                    [attr.d]="before.path"
                    [attr.transform]="before.move"
                    fill-rule="evenodd"
                  />
                }
                <path [attr.d]="d.now.path" [attr.transform]="d.now.move" fill-rule="evenodd" />
              </svg>
              <figcaption>
                <strong>{{ d.name }}</strong>
                @if (d.before) {
                  <span class="soft">over {{ value() }}, to one scale</span>
                }
              </figcaption>
            </figure>
          }
          @if (found().problem; as problem) {
            <p class="problem" role="alert">{{ problem }}</p>
          }
          <div class="head" aria-hidden="true">
            <span></span><span>section</span><span>h × b, mm</span><span>kg/m</span><span>Wpl,y, cm³</span
            ><span>Iy, cm⁴</span>
          </div>
          <div class="list" id="picker-list" role="listbox" aria-label="Sections">
            @for (row of rows(); track row.name; let i = $index) {
              <div
                role="option"
                class="row"
                [id]="'picker-' + i"
                [class.active]="i === active()"
                [attr.aria-selected]="row.name === value()"
                tabindex="-1"
                (click)="take(row.name)"
                (keydown.enter)="take(row.name)"
                (pointermove)="hover($event, i)"
              >
                <svg [attr.viewBox]="row.view" [attr.width]="box" [attr.height]="box" aria-hidden="true">
                  <path [attr.d]="row.path" fill-rule="evenodd" />
                </svg>
                <strong>{{ row.name }}</strong>
                <span class="number">{{ row.size }}</span>
                <span class="number">{{ row.mass }}</span>
                <span class="number">{{ row.modulus }}</span>
                <span class="number">{{ row.second }}</span>
              </div>
            }
          </div>
          @if (more() > 0) {
            <p class="soft">and {{ more() }} more; type to find them</p>
          }
        }
      </div>
    </p-popover>
  `,
  styleUrl: './section-picker.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SectionPickerComponent {
  /** The section that is chosen, as it is written. */
  readonly value = input('');
  readonly label = input.required<string>();
  readonly inputId = input('');
  /** Sections of the design's own, to choose from beside the library. */
  readonly own = input<readonly Section[]>([]);
  readonly changed = output<string>();
  /** Sections that were made here; the first is the one that is wanted. */
  readonly made = output<readonly OwnSection[]>();
  protected readonly making = signal(false);
  protected readonly ownNames = computed(() => this.own().map(({ id }) => id));

  private readonly panel = viewChild.required(Popover);
  private readonly search = viewChild<ElementRef<HTMLInputElement>>('search');
  private readonly trigger = viewChild.required<ElementRef<HTMLElement>>('trigger');
  private readonly surroundings = inject(fieldSurroundings, { optional: true });
  /** Those of the region of the design's code first. */
  protected readonly series = computed(() =>
    seriesFor(this.surroundings?.design()?.code.name).slice(0, mostSeries),
  );
  protected readonly box = box;
  protected readonly open = signal(false);
  protected readonly text = signal('');
  protected readonly chosen = signal<string | undefined>(undefined);
  /** The series that the list began with, until something is typed. */
  private beganAt: string | undefined;
  /** Nothing is looked for while it is closed. */
  protected readonly found = computed(() =>
    this.open() ? searchProfiles(this.text(), this.chosen()) : { profiles: [] as CatalogueEntry[] },
  );
  protected readonly more = computed(() => Math.max(0, this.found().profiles.length - mostRows));
  protected readonly rows = computed(() => {
    const shown = this.found().profiles.slice(0, mostRows);
    return shown.map((entry): Row => {
      const details = sectionDetails(entry.shape);
      const { path, width, height } = outlinePath(entry.shape);
      const side = 1.05 * Math.max(width, height);
      const view = [(width - side) / 2, (height - side) / 2, side, side];
      return {
        name: entry.name,
        path,
        view: view.map((value) => value.toFixed(1)).join(' '),
        size: `${significant(1000 * details.h)} × ${significant(1000 * details.b)}`,
        mass: significant(massOf(entry)),
        modulus: significant(details.Wply * 1e6),
        second: significant(details.Iy * 1e8),
      };
    });
  });

  protected readonly keys = new ListKeyManager(this.rows, inject(Injector)).withPageUpDown(true, 8);
  protected readonly active = computed(() => Math.max(0, this.keys.activeItemIndex ?? 0));

  /** The row that is pointed at, over the section that is chosen, standing on one line. */
  protected readonly drawn = computed(() => {
    const entry = this.found().profiles[this.active()];
    if (!entry) return undefined;
    const now = outlinePath(entry.shape);
    const chosen = lookUpProfile(this.value());
    const before = chosen && chosen.name !== entry.name ? outlinePath(chosen.shape) : undefined;
    const width = 1.1 * Math.max(now.width, before?.width ?? 0);
    const height = 1.05 * Math.max(now.height, before?.height ?? 0);
    const standing = ({ path, width: own, height: depth }: OutlinePath) => ({
      path,
      move: `translate(${((width - own) / 2).toFixed(1)} ${(height - depth).toFixed(1)})`,
    });
    return {
      name: entry.name,
      view: `0 0 ${width.toFixed(1)} ${height.toFixed(1)}`,
      now: standing(now),
      ...(before ? { before: standing(before) } : {}),
    };
  });

  protected toggle(event: Event): void {
    this.panel().toggle(event);
  }

  protected opened(): void {
    this.open.set(true);
    this.making.set(false);
    this.text.set('');
    this.showChosen();
    setTimeout(() => {
      this.search()?.nativeElement.focus();
      this.scrollToActive();
    });
  }

  /** Begins at the section that is chosen, among those of its series; what is typed is looked for in all. */
  private showChosen(): void {
    const entry = lookUpProfile(this.value());
    this.chosen.set(entry?.series);
    this.beganAt = entry?.series;
    const at = this.found().profiles.findIndex(({ name }) => name === entry?.name);
    this.keys.updateActiveItem(at >= 0 && at < mostRows ? at : 0);
  }

  private scrollToActive(): void {
    document.getElementById(`picker-${this.active()}`)?.scrollIntoView({ block: 'nearest' });
  }

  protected closed(): void {
    this.open.set(false);
    this.trigger().nativeElement.focus();
  }

  protected type(text: string): void {
    if (this.chosen() === this.beganAt) this.chosen.set(undefined);
    this.beganAt = undefined;
    this.text.set(text);
    this.keys.updateActiveItem(0);
  }

  /** Only a pointer that moves chooses: rows that come to lie under one at rest do not. */
  protected hover({ movementX, movementY }: PointerEvent, row: number): void {
    if (movementX !== 0 || movementY !== 0) this.keys.updateActiveItem(row);
  }

  protected key(event: KeyboardEvent): void {
    if (event.key === 'Enter') {
      event.preventDefault();
      const row = this.rows()[this.active()];
      if (row) this.take(row.name);
    } else if (event.key === 'Escape') this.panel().hide();
    else {
      this.keys.onKeydown(event);
      this.scrollToActive();
    }
  }

  protected takeMade(sections: readonly OwnSection[]): void {
    this.panel().hide();
    this.made.emit(sections);
  }

  protected take(name: string): void {
    this.panel().hide();
    if (name !== this.value()) this.changed.emit(name);
  }
}
