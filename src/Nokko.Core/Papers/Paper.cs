using System.Globalization;
using Nokko.Core.Jobs;
using Nokko.Core.Units;

namespace Nokko.Core.Papers;

/// <summary>A paper that leaves the shop: its words are made once, and shown, printed and written as PDF from here.</summary>
/// <param name="Title">What it is: Record, Alignment sheet.</param>
/// <param name="Heading">Which vehicle it is about.</param>
/// <param name="Facts">Lines below the heading, the one that matters most first.</param>
/// <param name="Sections">What stands on it, in order; those of the first page first.</param>
/// <param name="Foot">The line at its end; null is none.</param>
public sealed record Paper(
    string Title,
    string Heading,
    IReadOnlyList<string> Facts,
    IReadOnlyList<PaperSection> Sections,
    string? Foot
);

/// <summary>A part of a paper under its own heading: a table, lines, pictures or signatures.</summary>
/// <param name="Title">Its heading.</param>
public sealed record PaperSection(string Title)
{
    /// <summary>Whether it stands on an annex, behind the first page.</summary>
    public bool Annex { get; init; }

    /// <summary>Its table; null is none.</summary>
    public PaperTable? Table { get; init; }

    /// <summary>Its lines, below the table.</summary>
    public IReadOnlyList<string> Lines { get; init; } = [];

    /// <summary>Its photographs.</summary>
    public IReadOnlyList<PaperPicture> Pictures { get; init; } = [];

    /// <summary>Names with what they drew.</summary>
    public IReadOnlyList<PaperSignature> Signatures { get; init; } = [];

    /// <summary>Whether there is nothing under its heading.</summary>
    internal bool IsEmpty =>
        Table is null or { Rows.Count: 0 }
        && Lines.Count == 0
        && Pictures.Count == 0
        && Signatures.Count == 0;
}

/// <summary>A table: the first cell of a row heads it, and a row has as many cells as there are columns.</summary>
/// <param name="Columns">Heads of its columns.</param>
/// <param name="Rows">Its rows.</param>
public sealed record PaperTable(
    IReadOnlyList<string> Columns,
    IReadOnlyList<IReadOnlyList<string>> Rows
);

/// <summary>A photograph of the job.</summary>
/// <param name="Sha256">SHA-256 of its content, lower-case hex.</param>
/// <param name="Caption">What it shows.</param>
public sealed record PaperPicture(string Sha256, string Caption);

/// <summary>A signature as it was drawn.</summary>
/// <param name="Name">Who signed, and as what.</param>
/// <param name="Day">When.</param>
/// <param name="Strokes">Each stroke as x, y, x, y …, 0 to <see cref="Signature.Width"/> across and 0 to <see cref="Signature.Height"/> down.</param>
public sealed record PaperSignature(
    string Name,
    string Day,
    IReadOnlyList<IReadOnlyList<int>> Strokes
);

/// <summary>Who reads a paper: how lengths are written, and where the days begin.</summary>
/// <param name="Lengths">How lengths are written.</param>
/// <param name="Zone">The reader's time zone.</param>
public sealed record PaperReader(LengthStyle Lengths, TimeZoneInfo Zone)
{
    /// <summary>The reader in a time zone of the IANA database; one that is not known is UTC.</summary>
    public static PaperReader In(LengthStyle lengths, string? zone) =>
        new(
            lengths,
            zone is not null && TimeZoneInfo.TryFindSystemTimeZoneById(zone, out var found)
                ? found
                : TimeZoneInfo.Utc
        );

    /// <summary>The day of an instant, as it is read everywhere: 29 Nov 2026.</summary>
    public string Day(DateTimeOffset at) =>
        Day(DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(at, Zone).DateTime));

    /// <summary>A day.</summary>
    public static string Day(DateOnly day) =>
        day.ToString("d MMM yyyy", CultureInfo.InvariantCulture);

    /// <summary>Day and time of an instant.</summary>
    public string Time(DateTimeOffset at) =>
        $"{Day(at)}, {TimeZoneInfo.ConvertTime(at, Zone).ToString("HH:mm", CultureInfo.InvariantCulture)}";

    /// <summary>A length, angle or plain number with its ± at k = 2; why it is not known otherwise.</summary>
    /// <param name="result">What was measured or computed.</param>
    /// <param name="change">Whether it is a change, with its sign.</param>
    public string Says(Result result, bool change = false) => result.Said(Lengths, change);

    /// <summary>A stored quantity: a length in the reader's unit, anything else as it was typed.</summary>
    public string Says(Quantity quantity) =>
        quantity.Unit == Unit.Mm || quantity.Unit == Unit.Inch || quantity.Unit == Unit.Cm
            ? LengthText.Show(quantity.In(Unit.Mm), Lengths)
        : quantity.Unit == Unit.Mile || quantity.Unit == Unit.Km ? Odometer(quantity)
        : quantity.AsTyped();

    /// <summary>What an odometer shows.</summary>
    public static string Odometer(Quantity quantity) =>
        $"{quantity.Value.ToString("#,0", CultureInfo.InvariantCulture)} {quantity.Unit.Symbol}";
}
