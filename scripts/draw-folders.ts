import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { folderPicture } from './folder-picture';

// Writes docs/folders.svg, the picture of the folders and their imports, from the code.
writeFileSync(join(__dirname, '..', 'docs', 'folders.svg'), folderPicture());
