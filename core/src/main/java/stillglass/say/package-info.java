/// Sentences as values: what is meant, with its figures, before anybody has worded it.
///
/// Start at [Said]. Calculations and decisions hand out a key and named arguments; [Wording] makes the sentence of them in one place, from resource
/// bundles with the patterns of ICU's MessageFormat, so that plurals, lists and numbers follow the language. Tests of the core compare values, not
/// sentences. No sentence is stored in a logbook.
@NullMarked
package stillglass.say;

import org.jspecify.annotations.NullMarked;
