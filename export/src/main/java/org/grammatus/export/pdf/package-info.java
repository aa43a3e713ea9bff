/**
 * Pages as PDF (ISO 32000-1), tagged as PDF/UA-1 (ISO 14289-1) asks: {@link org.grammatus.export.pdf.PageStructure} says what the texts of a page
 * are, {@link org.grammatus.export.pdf.PdfPainter} draws them.
 */
package org.grammatus.export.pdf;
