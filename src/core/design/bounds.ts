/** How large a design may be. Beyond these a file or a paste is refused with the bound named. */
export const BOUNDS = {
  places: 120,
  loads: 500,
  circuits: 400,
  tapsPerCircuit: 40,
  panels: 60,
  banks: 12,
  ways: 12,
  devicesPerCircuit: 12,
  routes: 80,
  departures: 120,
  photos: 300,
  nameLength: 120,
  noteLength: 2000,
  fileBytes: 4_000_000,
} as const;
