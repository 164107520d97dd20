/** Another process has the data folder open. */
export class FolderTakenError extends Error {
  constructor(folder: string, holder: string) {
    super(
      `The data folder ${folder} is already open in another Zero Pour (${holder}). Use that one, or stop it first.`,
    );
    this.name = 'FolderTakenError';
  }
}
