import type { ThemeConfig } from 'antd';

/** The one place where the components get their look; the same colours stand in theme.css for everything drawn. */
export const theme: ThemeConfig = {
  token: {
    colorPrimary: '#1d5a51',
    colorInfo: '#1d5a51',
    colorLink: '#1d5a51',
    colorLinkHover: '#12403a',
    colorSuccess: '#226a40',
    colorWarning: '#8f5c00',
    colorError: '#b3261e',
    colorText: '#15211e',
    colorTextSecondary: '#566660',
    colorTextDescription: '#566660',
    colorTextPlaceholder: '#65746f',
    colorTextDisabled: '#66746f',
    colorBorder: '#9fb0aa',
    colorBorderSecondary: '#c6d0cc',
    colorBgLayout: '#e6ebe9',
    colorBgContainer: '#fbfcfb',
    colorBgElevated: '#fbfcfb',
    borderRadius: 3,
    borderRadiusLG: 3,
    borderRadiusSM: 3,
    fontFamily: 'Barlow, sans-serif',
    fontSize: 14,
    lineHeight: 1.42,
    boxShadow: '0 0 0 1px #c6d0cc',
    boxShadowSecondary: '0 0 0 1px #9fb0aa',
    motion: false,
    wireframe: false,
  },
  components: {
    Button: { primaryShadow: 'none', defaultShadow: 'none', dangerShadow: 'none', fontWeight: 500 },
    Select: { optionSelectedBg: '#dceae5' },
    Segmented: { itemSelectedBg: '#1d5a51', itemSelectedColor: '#fbfcfb', trackBg: '#dceae5' },
  },
};

/** Colours for charts, which cannot read the style sheet. */
export const CHART = {
  sheet: '#fbfcfb',
  ink: '#15211e',
  soft: '#566660',
  hairline: '#c6d0cc',
  primary: '#1d5a51',
  wait: '#a56a00',
  tint: '#a9c4bd',
  stop: '#b3261e',
  hv: '#e8590c',
  pass: '#226a40',
  metal: '#31413c',
  tan: '#b98a3e',
  /** Parts of a whole and lines beside the main one: no colour that says a state. */
  parts: ['#31413c', '#a9c4bd', '#b98a3e', '#7b8f88', '#4f7f75', '#d5c39c'],
};
