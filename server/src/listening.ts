import { readFileSync } from 'node:fs';
import { createServer, type RequestListener, type Server } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { isIP } from 'node:net';
import { networkInterfaces } from 'node:os';

/** A start that cannot be carried out as it was asked for; the message says why and what to do. */
export class StartProblem extends Error {}

/** How the server is reached. */
export interface Reach {
  readonly host: string;
  readonly keyFile?: string;
  readonly certificate?: string;
  readonly certificateKey?: string;
  readonly behindProxy?: boolean;
}

/** Whether only this machine reaches an address. */
export function isOfThisMachine(host: string): boolean {
  return host === 'localhost' || host === '::1' || (isIP(host) === 4 && host.startsWith('127.'));
}

/** @throws StartProblem where others would enter without a key, or half of a certificate is given */
export function checkReach({ host, keyFile, certificate, certificateKey, behindProxy }: Reach): void {
  if ((certificate === undefined) !== (certificateKey === undefined))
    throw new StartProblem('Give both --certificate and --certificate-key, or neither.');
  if (keyFile !== undefined || (isOfThisMachine(host) && !behindProxy)) return;
  throw new StartProblem(
    `${behindProxy ? 'Behind a proxy' : `At ${host}`} others than you can reach the server: start it with --key-file <file>. ` +
      'The file is made at the first start, and whoever has its key may enter.',
  );
}

/** A server over TLS where a certificate is given. @throws StartProblem where it cannot be read */
export function serverOf({ certificate, certificateKey }: Reach, listener: RequestListener): Server {
  // A request without a Host is answered in words, see guard.ts
  const settings = { requireHostHeader: false };
  if (certificate === undefined || certificateKey === undefined) return createServer(settings, listener);
  try {
    const [cert, key] = [readFileSync(certificate), readFileSync(certificateKey)];
    return createSecureServer({ ...settings, cert, key }, listener);
  } catch (error) {
    throw new StartProblem(
      `The certificate ${certificate} with its key ${certificateKey} cannot be used: ${error instanceof Error ? error.message : String(error)}.`,
    );
  }
}

/** Addresses under which the server is reached, the first for this machine. */
export function addressesOf({ host, certificate }: Reach, port: number): string[] {
  const scheme = certificate === undefined ? 'http' : 'https';
  const at = (name: string) => `${scheme}://${name.includes(':') ? `[${name}]` : name}:${port}`;
  if (host !== '0.0.0.0' && host !== '::') return [at(host)];
  const others = Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .filter(({ internal, address }) => !internal && !address.startsWith('fe80'))
    .map(({ address }) => address);
  return [at('localhost'), ...others.map(at)];
}
