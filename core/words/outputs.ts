/** The look that tells outputs a corner from outputs a side. */
export const OUTPUTS_LOOK =
  'Stock bulbs in, one more stock bulb’s load across the rear turn feed, the front turn bulb out: still noticed means outputs a corner, no longer noticed one output for the side.';
