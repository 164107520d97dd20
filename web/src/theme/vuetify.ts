import 'vuetify/styles/core';
import { createVuetify } from 'vuetify';
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg';

const plaster = {
  dark: false,
  colors: {
    background: '#ECE7DD',
    surface: '#F8F5EE',
    'on-surface': '#24211D',
    'on-background': '#24211D',
    primary: '#12555A',
    secondary: '#6D655A',
    error: '#A3271F',
    warning: '#A86A00',
    success: '#2F7A5B',
    info: '#12555A',
  },
  variables: {
    'border-color': '#B9AE9B',
    'border-opacity': 1,
    'high-emphasis-opacity': 1,
    'medium-emphasis-opacity': 0.86,
  },
};

const char = {
  dark: true,
  colors: {
    background: '#2B2622',
    surface: '#36302B',
    'on-surface': '#F3EDE2',
    'on-background': '#F3EDE2',
    primary: '#F5B04A',
    error: '#F2A093',
    warning: '#F5B04A',
    success: '#8CCBAE',
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
