import { ChangeDetectionStrategy, Component } from '@angular/core';
import { StageOverlayDirective } from '../../stage/labels/stage-overlays';

/** A bar over the foot of the stage, which moves nothing when it comes and goes. */
@Component({
  selector: 'app-foot-bar',
  hostDirectives: [StageOverlayDirective],
  template: '<ng-content />',
  styles: `
    :host {
      position: absolute;
      inset: auto 0 35px;
      z-index: 2;
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 12px;
      min-height: 32px;
      padding: 2px 10px;
      background: var(--sheet);
      border-top: 1px solid var(--indigo);
      border-bottom: 1px solid var(--ink-faint);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FootBarComponent {}
