/// Everything that touches a disk. Start at [Logbook], the one SQLite file that keeps every ticket.
///
/// Its neighbours read and write the open formats: `data` (JSON checked against published schemas), `photo` (images),
/// `report` (PDF and Markdown). Whatever goes wrong outside comes back as [BadInput]: one sentence with file, field and remedy.
/// Nothing is computed here.
@NullMarked
package stillglass.book;

import org.jspecify.annotations.NullMarked;
