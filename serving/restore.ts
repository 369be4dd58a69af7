import { bookPlace, closeBook, restoreFile, writeBackup } from '../services/index';

/**
 * `restore FILE [--dry]` adds a backup to the book of this folder or database; `backup FOLDER` writes
 * one. What is in the book already stays as it is. Ends with 1, and a sentence, where it cannot.
 */
async function main([what, path, how]: string[]): Promise<void> {
  if (what === 'backup' && path) {
    console.log(`Written: ${await writeBackup(path, Date.now())}`);
    return;
  }
  if (what !== 'restore' || !path || (how !== undefined && how !== '--dry'))
    throw new Error('It is: restore FILE [--dry], or backup FOLDER.');
  const told = await restoreFile(path, how === '--dry');
  if (!told.ok) throw new Error(told.message);
  const { tables, dry } = told.value;
  console.log(dry ? 'Tried out, nothing taken. It would take:' : `Taken into ${bookPlace()}:`);
  for (const t of tables)
    if (t.taken + t.known + t.differing > 0) {
      console.log(
        `  ${t.table}: ${t.taken} new, ${t.known} here already, ${t.differing} here in another state and left as they are`,
      );
      for (const { id, why } of t.unreadable)
        console.log(`    ${id} cannot be read (${why}); it is named on the start page`);
    }
}

main(process.argv.slice(2))
  .catch((error: unknown) => {
    console.error(error instanceof Error ? error.message : error);
    process.exitCode = 1;
  })
  .finally(closeBook);
