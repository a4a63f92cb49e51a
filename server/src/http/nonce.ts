import { randomBytes } from 'node:crypto';

const nonces = new WeakMap<object, string>();

/** The nonce of an answer: styles of its page bear it. */
export function nonceOf(response: object): string {
  let nonce = nonces.get(response);
  if (nonce === undefined) nonces.set(response, (nonce = randomBytes(16).toString('base64')));
  return nonce;
}
