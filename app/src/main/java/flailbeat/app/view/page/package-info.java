/** The pages at the bench's right. */
package flailbeat.app.view.page;
