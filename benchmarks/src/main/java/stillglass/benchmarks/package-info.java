/// Speed, measured with JMH and never in a test. One class for each kernel, named after it.
@NullMarked
package stillglass.benchmarks;

import org.jspecify.annotations.NullMarked;
