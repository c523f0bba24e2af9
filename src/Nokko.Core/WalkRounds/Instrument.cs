using System.Text.Json.Serialization;
using Nokko.Core.Units;

namespace Nokko.Core.WalkRounds;

/// <summary>What sort of instrument.</summary>
public enum InstrumentKind
{
    /// <summary>A tape, a rule: lengths.</summary>
    Tape,

    /// <summary>An angle gauge.</summary>
    AngleGauge,

    /// <summary>Corner scales, a set.</summary>
    Scales,

    /// <summary>A torque wrench.</summary>
    TorqueWrench,

    /// <summary>An alignment rack: angles.</summary>
    Rack,
}

/// <summary>One check of an instrument against something that is known better. Never overwritten: a slip is taken back.</summary>
public sealed record InstrumentCheck
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The day on which it was checked.</summary>
    public required DateOnly On { get; init; }

    /// <summary>Against what: a bar, a master wrench, a certificate with its number.</summary>
    public required string Against { get; init; }

    /// <summary>What that is known to be.</summary>
    public required Quantity Truth { get; init; }

    /// <summary>What the instrument said.</summary>
    public required Quantity Said { get; init; }

    /// <summary>The ± of what is known (95 in 100), in the instrument's unit; null is the rule of thumb of its kind.</summary>
    public Quantity? Within { get; init; }

    /// <summary>Who checked it.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When it was noted.</summary>
    public required DateTimeOffset At { get; init; }
}

/// <summary>A fall, a bend: what was read with the instrument since is doubted until it is checked.</summary>
public sealed record InstrumentMishap
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>When it happened.</summary>
    public required DateTimeOffset At { get; init; }

    /// <summary>What happened.</summary>
    public required string What { get; init; }

    /// <summary>Who noted it.</summary>
    public required Guid PersonId { get; init; }
}

/// <summary>An instrument of the shop, with what its checks found.</summary>
public sealed record Instrument : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>What sort of instrument.</summary>
    public required InstrumentKind Kind { get; init; }

    /// <summary>What stands on it: <c>Tape 3</c>.</summary>
    public required string Name { get; init; }

    /// <summary>Its maker's number; null where nobody wrote it down.</summary>
    public string? Serial { get; init; }

    /// <summary>After how many days a check is due again, 1 to 3,650.</summary>
    public required int CheckDays { get; init; }

    /// <summary>Its checks, in the order in which they were noted.</summary>
    public IReadOnlyList<InstrumentCheck> Checks { get; init; } = [];

    /// <summary>What happened to it, in the order in which it was noted.</summary>
    public IReadOnlyList<InstrumentMishap> Mishaps { get; init; } = [];

    /// <summary>When it was put away for good; null while it is used.</summary>
    public DateTimeOffset? PutAwayAt { get; init; }

    /// <summary>The check that counted on a day; null where there was none yet.</summary>
    public InstrumentCheck? CheckOn(DateOnly day) =>
        Checks.Where(c => c.On <= day).OrderBy(c => c.On).ThenBy(c => c.At).LastOrDefault();

    /// <summary>The check that counts now.</summary>
    [JsonIgnore]
    public InstrumentCheck? LastCheck => CheckOn(DateOnly.MaxValue);

    /// <summary>The day by which it must be checked again; null while it was never checked.</summary>
    [JsonIgnore]
    public DateOnly? DueOn => LastCheck?.On.AddDays(CheckDays);

    /// <summary>What happened to it since it was checked last; null where nothing did.</summary>
    [JsonIgnore]
    public InstrumentMishap? Doubted => DoubtedAt(DateTimeOffset.MaxValue, LastCheck);

    /// <summary>As it goes with what is read with it at an instant.</summary>
    /// <param name="at">When it is read.</param>
    public ReadBy At(DateTimeOffset at)
    {
        var check = CheckOn(DateOnly.FromDateTime(at.UtcDateTime));
        var (error, u) = InstrumentRules.Error(Kind, check);
        return new ReadBy
        {
            Id = Id,
            Name = Name,
            Kind = Kind,
            CheckId = check?.Id,
            Error = error,
            U = u,
            DueOn = check?.On.AddDays(CheckDays),
        };
    }

    /// <summary>What happened to it before an instant, and after the check that counted then.</summary>
    internal InstrumentMishap? DoubtedAt(DateTimeOffset at, InstrumentCheck? check) =>
        Mishaps.Where(m => m.At <= at && (check is null || IsAfter(m, check))).MinBy(m => m.At);

    /// <summary>Of one day, what was noted first came first.</summary>
    private static bool IsAfter(InstrumentMishap mishap, InstrumentCheck check)
    {
        var day = DateOnly.FromDateTime(mishap.At.UtcDateTime);
        return day > check.On || (day == check.On && mishap.At > check.At);
    }
}

/// <summary>The instrument with which something was read, as it was known then: what is found out later changes no old number, it marks it.</summary>
public sealed record ReadBy
{
    /// <summary>Key of the instrument.</summary>
    public required Guid Id { get; init; }

    /// <summary>What stood on it.</summary>
    public required string Name { get; init; }

    /// <summary>What sort of instrument.</summary>
    public required InstrumentKind Kind { get; init; }

    /// <summary>The check that counted; null where there was none.</summary>
    public Guid? CheckId { get; init; }

    /// <summary>How much it says too much: in mm or ° whatever is read, or as a share of it (<see cref="InstrumentRules.IsShare"/>).</summary>
    public required double Error { get; init; }

    /// <summary>Standard uncertainty of <see cref="Error"/>, in the same unit: all that is read with it under one check shares it.</summary>
    public required double U { get; init; }

    /// <summary>The day by which it had to be checked again; null where it never was.</summary>
    public DateOnly? DueOn { get; init; }

    /// <summary>What was read, the error taken off.</summary>
    /// <param name="value">As read, in any unit of the instrument's quantity.</param>
    public Quantity Corrected(Quantity value)
    {
        if (InstrumentRules.IsShare(Kind))
        {
            return value with { Value = value.Value / (1 + Error) };
        }
        var unit = InstrumentRules.UnitOf(Kind);
        return value with { Value = unit.To(value.Unit, value.In(unit) - Error) };
    }

    /// <summary>What its error leaves open in a value, in the value's unit.</summary>
    /// <param name="value">The value, the error taken off.</param>
    public double UOf(double value) => InstrumentRules.IsShare(Kind) ? Math.Abs(value) * U : U;

    /// <summary>Whether what was read with both errs by the same.</summary>
    public bool ErrsLike(ReadBy other) => Id == other.Id && CheckId == other.CheckId;
}

/// <summary>What holds for every instrument of a kind.</summary>
/// <remarks>Source: docs/computation/uncertainty.md#instruments.</remarks>
public static class InstrumentRules
{
    /// <summary>Least and most days between two checks.</summary>
    public const int MostDays = 3650;

    /// <summary>After how many days a check is due where nobody says: a rule of thumb.</summary>
    public const int UsualDays = 365;

    /// <summary>Standard uncertainty of a tape that nobody named or checked, mm: a worn hook, a tape of the usual class. A rule of thumb.</summary>
    public const double UncheckedTapeUMm = 1;

    /// <summary>The unit in which an instrument's readings are taken and its error is given.</summary>
    public static Unit UnitOf(InstrumentKind kind) =>
        kind switch
        {
            InstrumentKind.Tape => Unit.Mm,
            InstrumentKind.AngleGauge or InstrumentKind.Rack => Unit.Degree,
            InstrumentKind.Scales => Unit.Kg,
            InstrumentKind.TorqueWrench => Unit.NewtonMetre,
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, null),
        };

    /// <summary>Whether its error grows with what it reads: then it is a share.</summary>
    public static bool IsShare(InstrumentKind kind) =>
        kind is InstrumentKind.Scales or InstrumentKind.TorqueWrench;

    /// <summary>Standard uncertainty of an instrument that was never checked, in its unit or as a share: rules of thumb.</summary>
    public static double UncheckedU(InstrumentKind kind) =>
        kind switch
        {
            InstrumentKind.Tape => UncheckedTapeUMm,
            InstrumentKind.AngleGauge => 0.2,
            InstrumentKind.Rack => 0.1,
            InstrumentKind.Scales => 0.01,
            InstrumentKind.TorqueWrench => 0.03,
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, null),
        };

    /// <summary>The ± of what an instrument is checked against (95 in 100) where nobody says, in its unit or as a share: rules of thumb.</summary>
    public static double UsualWithin(InstrumentKind kind) =>
        kind switch
        {
            InstrumentKind.Tape => 0.5,
            InstrumentKind.AngleGauge => 0.1,
            InstrumentKind.Rack => 0.05,
            InstrumentKind.Scales => 0.002,
            InstrumentKind.TorqueWrench => 0.01,
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, null),
        };

    /// <summary>Resolution of its reading in a check, standard uncertainty, in its unit or as a share: half a division of the usual scale.</summary>
    private static double ReadU(InstrumentKind kind) =>
        kind switch
        {
            InstrumentKind.Tape => 0.3,
            InstrumentKind.AngleGauge or InstrumentKind.Rack => 0.03,
            InstrumentKind.Scales => 0.001,
            InstrumentKind.TorqueWrench => 0.005,
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, null),
        };

    /// <summary>How much an instrument says too much, with its standard uncertainty: said less truth, or their ratio less one.</summary>
    /// <param name="kind">What sort of instrument.</param>
    /// <param name="check">The check that counts; null where it was never checked.</param>
    public static (double Error, double U) Error(InstrumentKind kind, InstrumentCheck? check)
    {
        if (check is null)
        {
            return (0, UncheckedU(kind));
        }
        var unit = UnitOf(kind);
        var (truth, said) = (check.Truth.In(unit), check.Said.In(unit));
        var within = check.Within?.In(unit);
        return IsShare(kind)
            ? ((said / truth) - 1, Root((within / truth ?? UsualWithin(kind)) / 2, ReadU(kind)))
            : (said - truth, Root((within ?? UsualWithin(kind)) / 2, ReadU(kind)));
    }

    private static double Root(double a, double b) => Math.Sqrt((a * a) + (b * b));
}
