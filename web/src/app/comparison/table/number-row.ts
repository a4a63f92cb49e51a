import type { Design, QuantityName, Units } from '@hashira/core';
import { differenceText } from '../../ui/fields/values';
import { spreadOf, wordsOf, type RowCell, type TableRow } from './row';

/** How a row's numbers are written: for reading, and with all digits. */
export interface Written {
  readonly text: (value: number) => string;
  readonly exact: (value: number) => string;
}

export const inQuantity = (quantity: QuantityName, units: Units): Written => ({
  text: (value) => units.withUnit(value, quantity),
  exact: (value) => units.exact(value, quantity),
});

/** A value of which the sign says nothing, to be compared. */
export const unsigned = (value: number | undefined): { value: number; signed: boolean } | undefined =>
  value === undefined ? undefined : { value, signed: false };

/** Place of the reference among the alternatives. */
export const referenceOf = ({ alternatives, reference }: Design): number =>
  alternatives.findIndex(({ id }) => id === reference);

/** A row of numbers that are no figures of the design. */
export function numberRow(
  design: Design,
  head: Pick<TableRow, 'id' | 'title' | 'group'>,
  written: Written,
  valueOf: (alternative: string) => { readonly value: number; readonly place?: string } | undefined,
  greatIsGood = false,
): TableRow {
  const reference = referenceOf(design);
  const known = design.alternatives.map(({ id }) => valueOf(id));
  const values = known.map((one) => one?.value);
  const words = wordsOf(values, reference, greatIsGood);
  return {
    ...head,
    limit: '',
    spread: spreadOf(values),
    cells: design.alternatives.map(({ id }, i): RowCell => {
      const { value, place = '' } = known[i] ?? {};
      const exact = value === undefined ? 'not known' : written.exact(value);
      return {
        alternative: id,
        text: value === undefined ? '–' : written.text(value),
        exact: place === '' ? exact : `${exact}; ${place}`,
        difference: i === reference ? '' : differenceText(unsigned(value), unsigned(values[reference])),
        word: words[i]!,
        bad: false,
        place: '',
        differs: false,
      };
    }),
  };
}
