import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { MessageService } from 'primeng/api';
import { Toast } from 'primeng/toast';
import { ActionDirective } from './ui/action.directive';

/** An action that a message offers. */
interface MessageAction {
  readonly label: string;
  readonly action: () => void;
}

/** The shell: the current screen, and messages above it. */
@Component({
  selector: 'app-root',
  imports: [ActionDirective, RouterOutlet, Toast],
  template: `
    <router-outlet />
    <p-toast position="bottom-center">
      <ng-template #message let-message>
        <div class="message">
          <span>
            <strong>{{ message.summary }}</strong>
            @if (message.detail) {
              <br />{{ message.detail }}
            }
          </span>
          @if (message.data; as offer) {
            <button appAction (click)="take(offer)">
              {{ offer.label }}
            </button>
          }
        </div>
      </ng-template>
    </p-toast>
  `,
  styles: `
    .message {
      display: flex;
      gap: 1rem;
      align-items: baseline;
      flex: 1;
    }
    .message button {
      color: var(--indigo);
      font-weight: 600;
      text-decoration: underline;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AppComponent {
  private readonly messages = inject(MessageService);

  protected take(offer: MessageAction): void {
    this.messages.clear();
    offer.action();
  }
}
