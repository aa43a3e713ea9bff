import { definePreset } from '@primeuix/themes'
import Aura from '@primeuix/themes/aura'

/** The face of Grammatus on the component library's theming: a deep tarn green for actions on cool slate. */
export const preset = definePreset(Aura, {
  primitive: {
    borderRadius: { none: '0', xs: '2px', sm: '3px', md: '4px', lg: '6px', xl: '8px' },
  },
  components: {
    // Quiet actions stand on the bench's ground, too, where the library's own shade is too light.
    button: {
      colorScheme: {
        light: { text: { secondary: { color: '{surface.600}' } } },
        dark: { text: { secondary: { color: '{surface.300}' } } },
      },
    },
    togglebutton: {
      colorScheme: {
        light: { root: { color: '{surface.600}', hoverColor: '{surface.700}' } },
        dark: { root: { color: '{surface.300}', hoverColor: '{surface.200}' } },
      },
    },
  },
  semantic: {
    primary: {
      50: '#eff7f7',
      100: '#d6eae9',
      200: '#aed4d3',
      300: '#7fb8b8',
      400: '#4f9799',
      500: '#2f7b7f',
      600: '#1d5c63',
      700: '#184b52',
      800: '#143d43',
      900: '#102f34',
      950: '#0a1f23',
    },
    formField: { paddingX: '0.625rem', paddingY: '0.4rem', borderRadius: '4px' },
    focusRing: { width: '2px', style: 'solid', color: '{primary.500}', offset: '2px' },
    colorScheme: {
      light: {
        primary: { color: '{primary.600}', hoverColor: '{primary.700}', activeColor: '{primary.800}' },
        surface: {
          0: '#ffffff',
          50: '#f6f7f8',
          100: '#eceef0',
          200: '#dde1e4',
          300: '#c6ccd1',
          400: '#98a2aa',
          500: '#66717a',
          600: '#4c565e',
          700: '#384047',
          800: '#272d32',
          900: '#1b2024',
          950: '#111518',
        },
      },
      dark: {
        primary: { color: '{primary.300}', hoverColor: '{primary.200}', activeColor: '{primary.100}' },
        surface: {
          0: '#ffffff',
          50: '#f1f3f4',
          100: '#dfe3e6',
          200: '#c3cacf',
          300: '#a3adb4',
          400: '#808c95',
          500: '#5f6b74',
          600: '#475159',
          700: '#363f46',
          800: '#272e34',
          900: '#1c2227',
          950: '#12171a',
        },
      },
    },
  },
})
