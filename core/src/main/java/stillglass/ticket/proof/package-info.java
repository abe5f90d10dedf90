/// Whether the job is proved: what must be shown for this instrument, what was, and who signed. Start at [Proof].
///
/// Proof and signature belong to the closings they were made on. Whatever is opened, or shimmed anew, after them withdraws them; they stay on record as
/// withdrawn.
@NullMarked
package stillglass.ticket.proof;

import org.jspecify.annotations.NullMarked;
