import { ChangeDetectionStrategy, Component, model } from '@angular/core';
import { Dialog } from 'primeng/dialog';

/** Keys by the place where they work, in words. */
const keys: readonly { readonly where: string; readonly keys: readonly (readonly [string, string])[] }[] = [
  {
    where: 'Everywhere',
    keys: [
      ['F1', 'this page'],
      ['Ctrl Z, Ctrl Y', 'undo, redo'],
      ['Tab, Shift Tab', 'to the next control, and back'],
      ['Escape', 'gives up what is being typed, closes what is open'],
    ],
  },
  {
    where: 'On the stage',
    keys: [
      ['Arrows', 'move the reading along a member'],
      ['Page down, Page up', 'to the next member, to the one before'],
      ['Enter', 'selects the member that is read; with Shift beside the others'],
      ['Escape', 'selects nothing; gives up what is being drawn'],
      ['+, −, 0', 'nearer, farther, all of it'],
      ['Shift arrows', 'move the sheet'],
      ['Alt arrows', 'turn a solid frame'],
    ],
  },
  {
    where: 'With the mouse on the stage',
    keys: [
      ['Press', 'selects a member or a node; with Shift beside the others'],
      ['Shift and drag', 'a box takes what lies in it; with Ctrl also what it cuts'],
      ['Drag', 'moves the sheet; with Alt or the right button it turns'],
      ['Wheel', 'nearer, farther'],
      ['Double press', 'all of it'],
      ['A dimension', 'is dragged, or pressed and typed over'],
    ],
  },
  {
    where: 'At a point of the step that is open',
    keys: [
      ['Arrows, or drag', 'move it'],
      ['Insert, or a double press', 'adds a point behind it'],
      ['Delete, or Ctrl and a press', 'removes it'],
    ],
  },
  {
    where: 'In a member’s sheet, on the bench, along a path to failure',
    keys: [
      ['Arrows', 'move the cursor, or what was put on the bench'],
      ['Home, End', 'to one end, to the other'],
      ['Page up, Page down', 'to the most used place of the member'],
      ['Delete', 'takes away what was put on the bench'],
      ['Escape', 'back to the schedule'],
    ],
  },
  {
    where: 'In a field of a number',
    keys: [
      ['Arrows up, down', 'one step more, one less'],
      ['Enter', 'takes what is typed: a number, a value with its unit, or a formula'],
      ['Arrows, Enter', 'choose a name that goes on with what is typed, and take it'],
    ],
  },
  {
    where: 'In the list of sections',
    keys: [
      ['Arrows', 'to the next section, to the one before'],
      ['Enter', 'takes it'],
    ],
  },
];

/** All keys on one page. */
@Component({
  selector: 'app-keys-page',
  imports: [Dialog],
  template: `
    <p-dialog
      header="Keys"
      [(visible)]="open"
      [modal]="true"
      [draggable]="false"
      closeAriaLabel="Close"
      [style]="{ width: '62rem', maxWidth: '95vw' }"
    >
      <div class="page" tabindex="0" role="region" aria-label="All keys">
        <div class="groups">
          @for (group of keys; track group.where) {
            <section>
              <h3>{{ group.where }}</h3>
              <dl>
                @for (key of group.keys; track key[0]) {
                  <dt>{{ key[0] }}</dt>
                  <dd>{{ key[1] }}</dd>
                }
              </dl>
            </section>
          }
        </div>
      </div>
    </p-dialog>
  `,
  styles: `
    .page {
      max-height: calc(90vh - 7rem);
      overflow-y: auto;
    }
    .groups {
      columns: 2 18rem;
      column-gap: 2rem;
    }
    section {
      break-inside: avoid;
      margin-bottom: 0.8rem;
    }
    dl {
      display: grid;
      grid-template-columns: 8rem minmax(0, 1fr);
      gap: 2px 8px;
      margin: 4px 0 0;
    }
    dt {
      font-weight: 600;
    }
    dd {
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeysPageComponent {
  readonly open = model(false);
  protected readonly keys = keys;
}
