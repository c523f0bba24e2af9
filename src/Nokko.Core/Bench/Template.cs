using System.Text.Json.Serialization;

namespace Nokko.Core.Bench;

/// <summary>What a line of a template is for.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<TemplatePen>))]
public enum TemplatePen
{
    /// <summary>An edge: cut, drilled or measured to.</summary>
    Cut,

    /// <summary>A mark: a centre, a scale, an axis.</summary>
    Mark,
}

/// <summary>A place on the sheet, mm to the right of its upper left corner and down from it.</summary>
/// <param name="X">To the right, mm.</param>
/// <param name="Y">Down, mm.</param>
public sealed record SheetPoint(double X, double Y);

/// <summary>A straight line, or several end to end.</summary>
/// <param name="Points">Its corners, two at least; a closed one ends where it begins.</param>
/// <param name="Pen">What it is for.</param>
public sealed record TemplateLine(IReadOnlyList<SheetPoint> Points, TemplatePen Pen);

/// <summary>A circle.</summary>
/// <param name="At">Its middle.</param>
/// <param name="Radius">Its radius, mm, above zero.</param>
/// <param name="Pen">What it is for.</param>
public sealed record TemplateCircle(SheetPoint At, double Radius, TemplatePen Pen);

/// <summary>Words on the sheet.</summary>
/// <param name="At">Where they begin, on their base line.</param>
/// <param name="Says">The words.</param>
/// <param name="Size">Size of the letters, mm.</param>
public sealed record TemplateText(SheetPoint At, string Says, double Size);

/// <summary>A drawing at full size on one sheet that A4 and Letter both hold.</summary>
/// <param name="Title">What it is.</param>
/// <param name="Width">Width of the sheet within its margins, mm.</param>
/// <param name="Height">Height of it, mm.</param>
/// <param name="Lines">Its lines.</param>
/// <param name="Circles">Its circles.</param>
/// <param name="Texts">Its words.</param>
/// <param name="Print">How it is printed, so that it comes out at full size.</param>
/// <remarks>Coordinates are those of the finished print; whoever prints it multiplies them by <see cref="PrintScale.Across"/> and <see cref="PrintScale.Down"/>.</remarks>
public sealed record Template(
    string Title,
    double Width,
    double Height,
    IReadOnlyList<TemplateLine> Lines,
    IReadOnlyList<TemplateCircle> Circles,
    IReadOnlyList<TemplateText> Texts,
    PrintScale Print
);
