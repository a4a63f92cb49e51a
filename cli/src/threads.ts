import { useHelpers } from '@hashira/core/validation';
import { nodeHelpers } from '@hashira/core/node';

/** Lets large factorizations use the machine's other processors. */
export function useThreads(): void {
  useHelpers(
    nodeHelpers(new URL('./helper.js', import.meta.url), {
      onFailure: (error) => process.stderr.write(`A thread failed: ${error.message}\n`),
    }),
  );
}
