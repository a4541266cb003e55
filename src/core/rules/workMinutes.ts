/** Minutes of one practised pair of hands, medians. Typical; a firm's own hours differ. */
export const PULL_MIN_PER_M = { open: 2, conduit: 3, insulated: 2, 'engine space': 6 } as const;
/** Landed and torqued. */
export const END_MIN = 3;
export const DEVICE_MIN = 15;
/** Cut out and hung. */
export const PANEL_MIN = 120;
