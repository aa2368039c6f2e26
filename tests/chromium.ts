/**
 * What is switched off of the browser around the page, since the last such list counts: what Playwright itself switches
 * off, and the two windows under the address bar, which are pages of their own and cost each fresh browser more than ours.
 */
const OFF = [
  'AutoDeElevate',
  'AvoidUnnecessaryBeforeUnloadCheckSync',
  'BoundaryEventDispatchTracksNodeRemoval',
  'DestroyProfileOnBrowserClose',
  'DialMediaRouteProvider',
  'GlobalMediaControls',
  'HttpsUpgrades',
  'LensOverlay',
  'MediaRouter',
  'OptimizationHints',
  'PaintHolding',
  'RenderDocument',
  'ThirdPartyStoragePartitioning',
  'Translate',
  'WebUIOmniboxAimPopup',
  'WebUIOmniboxPopup',
];

/** Debian's Chromium, with the flags it needs in a closed network and as root. */
export const CHROMIUM = {
  executablePath: '/usr/bin/chromium',
  args: [
    '--headless',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    `--disable-features=${OFF.join(',')}`,
  ],
};
