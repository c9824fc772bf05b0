/** Benchmarks (JMH): how long a keystroke takes until its page is laid out, and how many pages a second become a PDF. Run with {@code ./bench/run}. */
package app.decant.bench;
