/** What is written beside a reading of a stand-in: it is of a simulation, and proves nothing of a real vehicle. */
export const STAND_IN_NOTE = 'Read by a stand-in instrument on the simulated vehicle.';
