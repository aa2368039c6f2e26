/**
 * As much as a vehicle holds: a coach or a road train with room to spare. One place for the schema, the editor and the checks
 * of a file, so that none takes what another refuses.
 */
export const MOST_LAMPS = 300;
export const MOST_CIRCUITS = 160;
export const MOST_FUSES = 120;
