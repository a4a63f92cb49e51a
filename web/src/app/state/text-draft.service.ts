import { Injectable } from '@angular/core';

/** Text of the open design that was typed and is no design yet, while its leaf is closed. */
@Injectable()
export class TextDraft {
  text: string | undefined;
}
