/// Feeds every reader with damaged and hostile files, thousands in minutes, in one process. Read [stillglass.benchmarks.hostile.Hostile] first.
@org.jspecify.annotations.NullMarked
package stillglass.benchmarks.hostile;
