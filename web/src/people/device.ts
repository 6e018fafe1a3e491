import { t } from '@lingui/core/macro';

/** What this device calls itself where nobody named it. */
export function deviceName() {
  const { userAgent } = navigator;
  return /iPhone/.test(userAgent)
    ? t`iPhone`
    : /iPad/.test(userAgent)
      ? t`iPad`
      : /Android/.test(userAgent)
        ? t`Android phone`
        : /Windows/.test(userAgent)
          ? t`Windows computer`
          : /Mac/.test(userAgent)
            ? t`Mac`
            : t`Computer`;
}
