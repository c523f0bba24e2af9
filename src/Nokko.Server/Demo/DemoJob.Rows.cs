using System.Text.Json;
using Nokko.Core.Fitting;
using Nokko.Core.JobFile;
using Nokko.Core.Measuring;
using Nokko.Core.Planning;
using Nokko.Core.Units;

namespace Nokko.Server.Demo;

/// <content>Single rows of a made-up job.</content>
internal sealed partial class DemoJob
{
    private void Read(WalkRound round, string station, Datum from, double inches)
    {
        Later(1);
        var mm = Math.Round(inches * 16) / 16 * 25.4;
        var text = LengthText
            .Show(mm, LengthStyle.Inches)
            .Replace(" in", "", StringComparison.Ordinal);
        Document = Document with
        {
            Readings =
            [
                .. Document.Readings,
                new Reading
                {
                    Id = NewId(),
                    WalkRoundId = round.Id,
                    Kind = ReadingKind.Height,
                    Place = new Place { Kind = PlaceKind.Station, Name = station },
                    From = from,
                    Value = new Quantity
                    {
                        Value = mm / 25.4,
                        Unit = "in",
                        Known = Known.Measured,
                        Typed = text,
                    },
                    PersonId = _by.Id,
                    TakenAt = _now,
                    StoredAt = _now,
                },
            ],
        };
        Remember("reading stored");
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
