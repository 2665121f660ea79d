/**
 * Ant Design Vue in the look of Fenwix. Every colour comes from the sheet of tokens, both themes alike: what
 * Ant would derive by itself (its greys, its dark palette) falls short of the contrast text and borders need.
 */
import type { ThemeConfig } from 'ant-design-vue/es/config-provider/context';

/** Nothing glides; the unit too, since without it a fifth of a second is left. */
const still = { motion: false, motionUnit: 0 } as const;

/** @param colour the value of a token of the sheet, by its name */
export function antTheme(colour: (name: string) => string): ThemeConfig {
  const [ink, soft, sheet, ground, rule] = [
    colour('ink'),
    colour('soft'),
    colour('sheet'),
    colour('ground'),
    colour('rule'),
  ];
  const [reed, reedWash, reedPale, water] = [colour('reed'), colour('reed-wash'), colour('reed-pale'), colour('water')];
  const [sun, sunText, sunWash] = [colour('sun'), colour('sun-text'), colour('sun-wash')];
  const [alarm, alarmWash, field, faint] = [colour('alarm'), colour('alarm-wash'), colour('field'), colour('disabled')];
  return {
    token: {
      fontFamily: "'Atkinson Hyperlegible Next Variable', sans-serif",
      fontSize: 15,
      fontSizeSM: 14,
      fontSizeLG: 16,
      borderRadius: 4,
      borderRadiusSM: 4,
      borderRadiusLG: 4,
      controlHeight: 32,
      controlHeightSM: 28,
      controlOutlineWidth: 0,
      ...still,
      colorPrimary: reed,
      colorPrimaryHover: colour('reed-strong'),
      colorPrimaryActive: colour('reed-strong'),
      colorPrimaryBg: reedWash,
      colorPrimaryBgHover: reedWash,
      colorPrimaryBorder: reedPale,
      colorPrimaryBorderHover: reed,
      colorPrimaryText: reed,
      colorPrimaryTextHover: reed,
      colorPrimaryTextActive: reed,
      colorTextLightSolid: colour('on-reed'),
      colorInfo: water,
      colorInfoBg: colour('water-pale'),
      colorInfoBorder: water,
      colorLink: water,
      colorLinkHover: reed,
      colorLinkActive: reed,
      colorSuccess: reed,
      colorSuccessBg: reedWash,
      colorSuccessBorder: reedPale,
      colorWarning: sun,
      colorWarningText: sunText,
      colorWarningBg: sunWash,
      colorWarningBorder: sun,
      colorError: alarm,
      colorErrorHover: alarm,
      colorErrorActive: alarm,
      colorErrorText: alarm,
      colorErrorBg: alarmWash,
      colorErrorBgHover: alarmWash,
      colorErrorBorder: alarm,
      colorErrorBorderHover: alarm,
      colorTextBase: ink,
      colorText: ink,
      colorTextHeading: ink,
      colorTextLabel: ink,
      colorTextSecondary: soft,
      colorTextTertiary: soft,
      colorTextQuaternary: soft,
      colorTextDescription: soft,
      colorTextPlaceholder: soft,
      colorTextDisabled: faint,
      colorIcon: soft,
      colorIconHover: ink,
      colorBgBase: sheet,
      colorBgContainer: sheet,
      colorBgElevated: sheet,
      colorBgLayout: ground,
      colorBgContainerDisabled: ground,
      colorBgTextHover: reedWash,
      colorBgTextActive: reedWash,
      colorBgSpotlight: colour('header'),
      colorFill: rule,
      colorFillSecondary: rule,
      colorFillTertiary: ground,
      colorFillQuaternary: ground,
      colorFillAlter: ground,
      colorFillContent: rule,
      colorBorder: field,
      colorBorderSecondary: rule,
      colorSplit: rule,
      controlItemBgHover: reedWash,
      controlItemBgActive: reedWash,
      controlItemBgActiveHover: reedWash,
      controlItemBgActiveDisabled: ground,
      boxShadow: colour('shadow'),
      boxShadowSecondary: colour('shadow'),
    },
  };
}
