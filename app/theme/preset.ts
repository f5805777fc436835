import { definePreset } from '@primeuix/themes'
import base from '@primeuix/themes/aura/base'
import badge from '@primeuix/themes/aura/badge'
import button from '@primeuix/themes/aura/button'
import checkbox from '@primeuix/themes/aura/checkbox'
import confirmdialog from '@primeuix/themes/aura/confirmdialog'
import datepicker from '@primeuix/themes/aura/datepicker'
import dialog from '@primeuix/themes/aura/dialog'
import iconfield from '@primeuix/themes/aura/iconfield'
import inputtext from '@primeuix/themes/aura/inputtext'
import menu from '@primeuix/themes/aura/menu'
import message from '@primeuix/themes/aura/message'
import popover from '@primeuix/themes/aura/popover'
import progressbar from '@primeuix/themes/aura/progressbar'
import ripple from '@primeuix/themes/aura/ripple'
import select from '@primeuix/themes/aura/select'
import selectbutton from '@primeuix/themes/aura/selectbutton'
import textarea from '@primeuix/themes/aura/textarea'
import toast from '@primeuix/themes/aura/toast'
import togglebutton from '@primeuix/themes/aura/togglebutton'
import toggleswitch from '@primeuix/themes/aura/toggleswitch'
import tooltip from '@primeuix/themes/aura/tooltip'
import virtualscroller from '@primeuix/themes/aura/virtualscroller'

const mulberry = {
  50: '#fbf1f5',
  100: '#f5dfe8',
  200: '#ebc0d1',
  300: '#dd97b3',
  400: '#c9688f',
  500: '#a8416c',
  600: '#8c3058',
  700: '#7b2d4f',
  800: '#602440',
  900: '#4b1d33',
  950: '#2d0f1d',
}
const paper = {
  0: '#fffdf8',
  50: '#faf6ed',
  100: '#f3eee2',
  200: '#e6dfd0',
  300: '#d3cab8',
  400: '#aaa190',
  500: '#7d7567',
  600: '#5f584d',
  700: '#474239',
  800: '#302c26',
  900: '#221f1b',
  950: '#171512',
}
const charcoal = {
  0: '#ffffff',
  50: '#f2f0ec',
  100: '#dedbd4',
  200: '#c2beb6',
  300: '#a39f97',
  400: '#858179',
  500: '#66635c',
  600: '#4e4b46',
  700: '#3b3935',
  800: '#2c2a28',
  900: '#232120',
  950: '#1a1918',
}

/** What the look is built on: the parts that are used, and no others, because every page waits for them. */
const ground = {
  ...base,
  components: {
    badge,
    button,
    checkbox,
    confirmdialog,
    datepicker,
    dialog,
    iconfield,
    inputtext,
    menu,
    message,
    popover,
    progressbar,
    ripple,
    select,
    selectbutton,
    textarea,
    toast,
    togglebutton,
    toggleswitch,
    tooltip,
    virtualscroller,
  },
}

/** Wakaru's look: warm paper and ink, one mulberry accent for what can be acted on, square-cut corners. */
const preset = definePreset(ground, {
  primitive: {
    borderRadius: { none: '0', xs: '1px', sm: '2px', md: '3px', lg: '4px', xl: '6px' },
  },
  semantic: {
    primary: mulberry,
    focusRing: { width: '2px', style: 'solid', color: '{primary.color}', offset: '2px' },
    formField: { paddingX: '0.6rem', paddingY: '0.4rem' },
    colorScheme: {
      light: {
        surface: paper,
        primary: {
          color: '{primary.700}', contrastColor: '#ffffff', hoverColor: '{primary.800}', activeColor: '{primary.900}',
        },
        text: { color: '#2b2722', hoverColor: '#171512', mutedColor: '#5f584d', hoverMutedColor: '#474239' },
        formField: {
          borderColor: '{surface.400}',
          hoverBorderColor: '{surface.600}',
          placeholderColor: '{surface.600}',
          invalidPlaceholderColor: '{surface.600}',
        },
        content: { background: '{surface.0}', borderColor: '{surface.300}' },
      },
      dark: {
        surface: charcoal,
        primary: {
          color: '{primary.300}', contrastColor: '{primary.950}', hoverColor: '{primary.200}',
          activeColor: '{primary.100}',
        },
        text: { color: '#ece8e0', hoverColor: '#ffffff', mutedColor: '#b5b0a6', hoverMutedColor: '#d0ccc4' },
        formField: {
          borderColor: '{surface.500}', hoverBorderColor: '{surface.300}', placeholderColor: '{surface.300}',
        },
        content: { background: '{surface.900}', borderColor: '{surface.700}' },
      },
    },
  },
  components: {
    button: {
      root: { paddingX: '0.8rem', paddingY: '0.42rem', label: { fontWeight: '600' } },
      colorScheme: {
        light: {
          outlined: {
            secondary: { color: '{text.color}', borderColor: '{surface.400}', hoverBackground: '{surface.100}' },
          },
          text: { secondary: { color: '{text.mutedColor}' } },
        },
        dark: {
          outlined: {
            secondary: { color: '{text.color}', borderColor: '{surface.500}', hoverBackground: '{surface.800}' },
          },
          text: { secondary: { color: '{text.mutedColor}' } },
        },
      },
    },
    togglebutton: {
      colorScheme: {
        light: { root: { color: '{text.mutedColor}', hoverColor: '{text.color}' } },
        dark: { root: { color: '{text.mutedColor}', hoverColor: '{text.color}' } },
      },
    },
    dialog: { title: { fontSize: '1.25rem', fontWeight: '600' } },
  },
})

export default { preset, options: { darkModeSelector: '.dark' } }
