/// The logbook: every ticket of a bench in one file.
///
/// Start at [Tickets], through which acts are done: read, decided, appended and projected, and decided anew when somebody else was quicker. [Logbook] is the
/// port; [SqliteLogbook] keeps it in one SQLite file with write-ahead log and full synchronisation. Events are JSON rows with names and versions of their own
/// ([EventJson]); older ones are read by [Upcasters]. Lists and searches read tables that are kept in the same transaction ([Projection]), never the stories.
@NullMarked
package stillglass.book.log;

import org.jspecify.annotations.NullMarked;
