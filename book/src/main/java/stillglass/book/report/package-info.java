/// Writes the signed report of a ticket as PDF and Markdown. Start at [Report], which gathers what is said; the writers only set it.
@NullMarked
package stillglass.book.report;

import org.jspecify.annotations.NullMarked;
