/** Lines and curves over time: controllers, pedals and velocities. */
package flailbeat.core.edit.shapes;
