/** An edit that cannot be made, said so that a person knows what would be valid. */
export class EditError extends Error {
  override name = 'EditError';
}

/** Refuses an edit unless something holds. */
export const need = (holds: boolean, message: string): void => {
  if (!holds) throw new EditError(message);
};
