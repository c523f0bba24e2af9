using System.Text.Json;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Server.Demo;

/// <content>Single rows of a made-up job.</content>
internal sealed partial class DemoJob
{
    private void Read(WalkRound round, string station, Datum from, double inches)
    {
        Later(1);
        Store(
            new Reading
            {
                Id = NewId(),
                WalkRoundId = round.Id,
                Kind = ReadingKind.Height,
                Place = new Place { Kind = PlaceKind.Station, Name = station },
                From = from,
                Value = Sixteenths(inches),
                PersonId = _by.Id,
                TakenAt = _now,
                StoredAt = _now,
            },
            "reading stored"
        );
    }

    /// <summary>Reads a measure in the last walk-round, in inches to the sixteenth.</summary>
    public void Measure(string key, string place, double inches, double? overInches = null)
    {
        Later(3);
        var measure = Measures.Find(key)!;
        Store(
            new Reading
            {
                Id = NewId(),
                WalkRoundId = Document.WalkRounds[^1].Id,
                Kind = measure.Kind,
                Place = new Place { Kind = Measures.PlaceKindOf(measure), Name = place },
                Measure = key,
                Value = Sixteenths(inches),
                Over = overInches is { } over ? Sixteenths(over) : null,
                PersonId = _by.Id,
                TakenAt = _now,
                StoredAt = _now,
            },
            "measure stored"
        );
    }

    /// <summary>Corrects the last reading of a station; the first stays on the record.</summary>
    public void Correct(string station, double inches, string reason)
    {
        Later(2);
        var wrong = Document.Readings.Last(r => r.Place.Name == station);
        Store(
            wrong with
            {
                Id = NewId(),
                Value = Sixteenths(inches),
                TakenAt = _now,
                StoredAt = _now,
                Supersedes = wrong.Id,
                Reason = reason,
            },
            "reading corrected"
        );
    }

    /// <summary>Tapes the seven points of the front suspension, mm across and up.</summary>
    public void TapeFrontPoints(params (double Y, double Z)[] points)
    {
        Later(20);
        Document = Document with
        {
            Vehicle = Document.Vehicle with
            {
                Front = Document.Vehicle.Front with
                {
                    Points =
                    [
                        .. Archetype
                            .Of(SuspensionKind.CoilOverArm)!
                            .Points.Zip(
                                points,
                                (point, p) =>
                                    new SuspensionPoint
                                    {
                                        Name = point.Name,
                                        Y = Mm(p.Y, Known.Measured),
                                        Z = Mm(p.Z, Known.Measured),
                                    }
                            ),
                    ],
                },
            },
        };
        Remember("suspension points taped");
    }

    private void Store(Reading reading, string kind)
    {
        Document = Document with { Readings = [.. Document.Readings, reading] };
        Remember(kind);
    }

    private static Quantity Sixteenths(double inches)
    {
        var mm = Math.Round(inches * 16) / 16 * 25.4;
        return new Quantity
        {
            Value = mm / 25.4,
            Unit = "in",
            Known = Known.Measured,
            Typed = LengthText
                .Show(mm, LengthStyle.Inches)
                .Replace(" in", "", StringComparison.Ordinal),
        };
    }

    private void Tighten(Plan plan, string place, Pass pass)
    {
        var joint = Document.Joints.First(j => j.Place == place);
        Document = Document with
        {
            TorqueEntries =
            [
                .. Document.TorqueEntries,
                new TorqueEntry
                {
                    Id = NewId(),
                    JointId = joint.Id,
                    PlanId = plan.Id,
                    Pass = pass,
                    Value = pass == Pass.Final ? joint.Spec!.Torque : null,
                    Tool = pass == Pass.Final ? "torque wrench" : "ratchet",
                    Position = FittingRules.Position(Document.Supports),
                    PersonId = _by.Id,
                    At = _now,
                },
            ],
        };
    }

    private FollowUp Follow(string what, string why, DateTimeOffset due, double miles) =>
        new()
        {
            Id = NewId(),
            What = what,
            Why = why,
            DueOn = DateOnly.FromDateTime(due.UtcDateTime),
            DueAt = Miles(miles),
        };

    private static JointSpec Spec(CardJoint joint) =>
        new()
        {
            Torque = new Quantity
            {
                Value = joint.Kind switch
                {
                    JointKind.BondedRubber => 101,
                    JointKind.Ball => 62,
                    JointKind.Clamped => 41,
                    JointKind.Wheel => 92,
                    _ => 83,
                },
                Unit = "lb·ft",
                Known = Known.Document,
            },
            Source = "shop's sheet SV-12 (made up)",
        };

    private void Remember(string kind) =>
        Document = Document with
        {
            History =
            [
                .. Document.History,
                new HistoryEntry
                {
                    Id = NewId(),
                    Kind = kind,
                    PersonId = _by.Id,
                    At = _now,
                    Body = JsonSerializer.SerializeToElement(new { demo = true }),
                    Replaced = JsonSerializer.SerializeToElement(Array.Empty<string>()),
                },
            ],
        };

    private void Later(double minutes) => _now = Instants.ToMicroseconds(_now.AddMinutes(minutes));

    /// <summary>Each key a millisecond after the last, so that rows keep their order.</summary>
    private Guid NewId()
    {
        _now = _now.AddMilliseconds(1);
        return Guid.CreateVersion7(_now);
    }

    private static Quantity Mm(double value, Known known) => Quantity.Mm(value, known);

    private static Quantity Miles(double value) =>
        new()
        {
            Value = value,
            Unit = "mi",
            Known = Known.Measured,
        };
}
