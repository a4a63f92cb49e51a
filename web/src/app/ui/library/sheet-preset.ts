import { definePreset } from '@primeuix/themes';
import Aura from '@primeuix/themes/aura';

/** A drawing office's sheet: warm paper, ink lines, square corners; indigo is what can be used. */
export const sheetPreset = definePreset(Aura, {
  primitive: {
    borderRadius: { none: '0', xs: '1px', sm: '2px', md: '2px', lg: '3px', xl: '3px' },
  },
  components: {
    datatable: {
      headerCell: { sm: { padding: '0.15rem 0.4rem' } },
      bodyCell: { sm: { padding: '0.15rem 0.4rem' } },
    },
    tabs: {
      tablist: { background: 'transparent', borderColor: '{surface.300}' },
      tab: {
        padding: '0.25rem 0.2rem 0.35rem',
        borderWidth: '0 0 3px 0',
        borderColor: 'transparent',
        hoverBorderColor: 'transparent',
        color: '{text.color}',
        hoverColor: '{primary.color}',
        activeColor: '{text.color}',
        fontWeight: '400',
      },
      activeBar: { height: '0' },
    },
  },
  semantic: {
    focusRing: { width: '2px', style: 'solid', color: '{primary.color}', offset: '1px' },
    primary: {
      50: '#eef1f7',
      100: '#d8dfed',
      200: '#b3c0dc',
      300: '#8399c5',
      400: '#5674ad',
      500: '#2b4c8c',
      600: '#264480',
      700: '#20396b',
      800: '#1a2e56',
      900: '#142342',
      950: '#0d172c',
    },
    formField: {
      paddingX: '0.4rem',
      paddingY: '0.2rem',
      sm: { fontSize: '0.8125rem', paddingX: '0.35rem', paddingY: '0.15rem' },
    },
    colorScheme: {
      light: {
        surface: {
          0: '#fffdf8',
          50: '#f7f4ec',
          100: '#efebe0',
          200: '#e0dbcd',
          300: '#c9c5b9',
          400: '#9b9a94',
          500: '#62666e',
          600: '#5c6069',
          700: '#42464f',
          800: '#30343c',
          900: '#22252b',
          950: '#15171b',
        },
        text: { color: '#22252b', hoverColor: '#22252b', mutedColor: '#5c6069', hoverMutedColor: '#42464f' },
        formField: { borderColor: '#c9c5b9', hoverBorderColor: '#62666e', color: '#22252b', shadow: 'none' },
      },
    },
  },
});
