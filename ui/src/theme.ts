import { darkTheme, type GlobalThemeOverrides } from 'naive-ui'
import { computed } from 'vue'
import { useDevice } from './device'

/** Feeds the design tokens to Naive UI. */
export function useNaiveTheme() {
  const device = useDevice()
  const token = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()
  return computed(() => {
    document.documentElement.dataset.theme = device.theme
    const overrides: GlobalThemeOverrides = {
      common: {
        fontFamily: token('--text'),
        fontSize: '16px',
        borderRadius: '3px',
        primaryColor: token('--ember'),
        primaryColorHover: token('--ember'),
        primaryColorPressed: token('--ember'),
        textColorBase: token('--ink'),
        bodyColor: token('--paper'),
        modalColor: token('--sheet'),
        popoverColor: token('--sheet'),
      },
      Input: {
        border: `1px solid ${token('--rule-strong')}`,
        borderHover: `1px solid ${token('--ink')}`,
        color: token('--sheet'),
        colorFocus: token('--sheet'),
        textColor: token('--ink'),
        heightLarge: '44px',
      },
      Select: {
        peers: {
          InternalSelection: {
            border: `1px solid ${token('--rule-strong')}`,
            borderHover: `1px solid ${token('--ink')}`,
            color: token('--sheet'),
            colorActive: token('--sheet'),
            textColor: token('--ink'),
            arrowColor: token('--ink'),
            heightLarge: '44px',
          },
        },
      },
      Table: {
        fontSizeMedium: 'inherit',
        lineHeight: 'inherit',
        thPaddingMedium: '6px 10px 6px 0',
        tdPaddingMedium: '6px 10px 6px 0',
        thFontWeight: '560',
        thTextColor: token('--ink-soft'),
        tdTextColor: 'inherit',
        ...Object.fromEntries(
          ['', 'Modal', 'Popover'].flatMap((at) => [
            [`thColor${at}`, 'transparent'],
            [`tdColor${at}`, 'transparent'],
            [`borderColor${at}`, token('--rule')],
          ]),
        ),
      },
      Tabs: {
        tabFontSizeMedium: '16px',
        tabFontWeight: '560',
        tabFontWeightActive: '560',
        tabPaddingMediumLine: '10px 2px',
        tabGapMediumLine: '24px',
        tabTextColorLine: token('--ink'),
        tabTextColorHoverLine: token('--ember'),
        tabTextColorActiveLine: token('--ink'),
        barColor: token('--ember'),
        tabBorderColor: token('--rule'),
      },
      Upload: { draggerColor: token('--sunk'), draggerBorder: `2px dashed ${token('--rule-strong')}` },
      Card: { color: token('--sheet'), textColor: token('--ink'), titleTextColor: token('--ink'), titleFontWeight: '640' },
    }
    return { theme: device.theme === 'shed' ? darkTheme : null, overrides }
  })
}
