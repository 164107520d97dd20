import 'vuetify/styles/core';
import { createVuetify } from 'vuetify';
import { COLOURS } from './colours';
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg';

const plaster = {
  dark: false,
  colors: {
    background: COLOURS.plaster,
    surface: COLOURS.sheet,
    'on-surface': COLOURS.ink,
    'on-background': COLOURS.ink,
    primary: COLOURS.wax,
    secondary: COLOURS.mute,
    error: COLOURS.oxide,
    warning: COLOURS.amber,
    success: COLOURS.verd,
    info: COLOURS.wax,
  },
  variables: {
    'border-color': COLOURS.line2,
    'border-opacity': 1,
    'high-emphasis-opacity': 1,
    'medium-emphasis-opacity': 0.86,
  },
};

const char = {
  dark: true,
  colors: {
    background: COLOURS.char,
    surface: COLOURS.charRaised,
    'on-surface': COLOURS.bone,
    'on-background': COLOURS.bone,
    primary: COLOURS.glow,
    error: COLOURS.oxideLit,
    warning: COLOURS.glow,
    success: COLOURS.verdLit,
  },
  variables: {},
};

/** One theme and one set of defaults, so that no page fights the framework. Char is for bench mode. */
export const vuetify = createVuetify({
  icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  theme: { defaultTheme: 'plaster', themes: { plaster, char } },
  defaults: {
    global: { ripple: false },
    VBtn: { variant: 'outlined', color: 'primary', rounded: 'sm', elevation: 0 },
    VTextField: {
      variant: 'filled',
      density: 'comfortable',
      hideDetails: 'auto',
      rounded: 'sm',
      color: 'primary',
    },
    VTextarea: {
      variant: 'filled',
      density: 'comfortable',
      hideDetails: 'auto',
      rounded: 'sm',
      color: 'primary',
      autoGrow: true,
      rows: 2,
    },
    VSelect: {
      variant: 'filled',
      density: 'comfortable',
      hideDetails: 'auto',
      rounded: 'sm',
      color: 'primary',
      menuProps: { maxHeight: 420 },
    },
    VAutocomplete: {
      variant: 'filled',
      density: 'comfortable',
      hideDetails: 'auto',
      rounded: 'sm',
      color: 'primary',
      menuProps: { maxHeight: 420 },
    },
    // The framework's ground of a bar is as dark as the bar itself where borders are opaque.
    VProgressLinear: { bgOpacity: 0.18 },
    VDialog: { transition: false },
    VMenu: { transition: false },
    VCheckbox: { density: 'compact', hideDetails: 'auto', color: 'primary' },
    VBtnToggle: {
      density: 'compact',
      rounded: 'sm',
      color: 'primary',
      mandatory: true,
      divided: true,
      variant: 'outlined',
    },
    VList: { density: 'compact', bgColor: 'surface' },
    VTable: { density: 'compact' },
  },
});
