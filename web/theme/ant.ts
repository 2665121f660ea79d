/** Ant Design Vue in the look of Fenwix. */
import { theme } from 'ant-design-vue';
import type { ThemeConfig } from 'ant-design-vue/es/config-provider/context';

const shared = {
  fontFamily: "'Atkinson Hyperlegible Next Variable', sans-serif",
  borderRadius: 4,
  controlHeight: 32,
  motion: false,
} as const;

export function antTheme(dark: boolean): ThemeConfig {
  return dark
    ? {
        algorithm: theme.darkAlgorithm,
        token: {
          ...shared,
          colorPrimary: '#55c3a0',
          colorError: '#ff8d70',
          colorWarning: '#e3ac3f',
          colorInfo: '#74bbd8',
          colorLink: '#74bbd8',
          colorTextBase: '#e6efe9',
          colorBgBase: '#152322',
          colorBgElevated: '#192a28',
          colorBorder: '#2c3e3b',
          colorSplit: '#2c3e3b',
          controlItemBgActive: '#1d3a33',
        },
      }
    : {
        token: {
          ...shared,
          colorPrimary: '#0d6553',
          colorError: '#b3321b',
          colorWarning: '#b97700',
          colorInfo: '#25708f',
          colorLink: '#25708f',
          colorTextBase: '#17262a',
          colorBgBase: '#fffefb',
          colorBorder: '#dcdcd2',
          colorSplit: '#dcdcd2',
          controlItemBgActive: '#dcebe4',
        },
      };
}
