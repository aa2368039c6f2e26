/** An edit that would leave a vehicle nobody can compute. Says what to do instead. */
export class VehicleEditError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'VehicleEditError';
  }
}
