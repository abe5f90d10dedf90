/// The Say line: bench shorthand, read whole or not at all.
///
/// Start at [SayLine]. It hands a [stillglass.ticket.line.Cursor] to one small grammar for each subject ([Grammar]); the first that knows what the line is
/// about reads it. A word that no grammar has used makes the line unclear and is named. One line is one act: what is understood is a [Reading] with the act
/// and the line read back in full words. What a line leaves unsaid is meant of the [Setting]: stage, joint and finding in hand.
@NullMarked
package stillglass.ticket.words;

import org.jspecify.annotations.NullMarked;
