/** What a job is called where it is chosen from others: by its vehicle while its title is empty. */
export function nameOfJob(title: string, vehicle: { name: string }): string {
  return title.trim() || `${vehicle.name.trim() || 'A vehicle without a name'}, no title yet`;
}
