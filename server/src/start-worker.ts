import { Worker, type WorkerOptions } from 'node:worker_threads';

/**
 * Starts a worker whose file lies beside the caller's: as source where the caller is run as source, else as built.
 *
 * @param from `import.meta.url` of the caller
 */
export function startWorker(name: string, from: string, options: WorkerOptions = {}): Worker {
  if (!from.endsWith('.ts')) return new Worker(new URL(`.//${name}.js`, from), options);
  const source = new URL(`.//${name}.ts`, from).href;
  // A thread does not take over the loader of its process
  const load = `import('tsx/esm/api').then(({ register }) => { register(); return import(${JSON.stringify(source)}); })`;
  return new Worker(load, { ...options, eval: true });
}
