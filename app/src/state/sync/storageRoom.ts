/** From this share of the storage on, or with less room than this, the screen warns before it fails. */
const WARN_FROM_SHARE = 0.9;
const WARN_BELOW_BYTES = 100e6;

/** Whether a device's storage is as good as full. Room counts too: some browsers report a huge quota. */
export const nearlyFull = ({ usage, quota }: { usage: number; quota: number }): boolean =>
  usage / quota >= WARN_FROM_SHARE || quota - usage < WARN_BELOW_BYTES;
