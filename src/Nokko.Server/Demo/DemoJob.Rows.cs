using System.Globalization;
using Nokko.Core.Evidence;
using Nokko.Core.Finding;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Suspension;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Server.Demo;

/// <content>Single entries of a made-up job: each goes through the same decisions as a person's.</content>
internal sealed partial class DemoJob
{
    /// <summary>Carries out a command as the job's person.</summary>
    /// <exception cref="InvalidOperationException">It is refused: the demo is written wrongly.</exception>
    private void Do(JobCommand command) => Do(command, _by);

    private void Do(JobCommand command, Person person)
    {
        var decision = Decision.Of(
            Document,
            command,
            new DecisionContext
            {
                PersonId = person.Id,
                PersonName = person.Name,
                Style = LengthStyle.Inches,
                Now = _now,
                Shelf = _shelf,
                Others = PlatformEvidence.None with
                {
                    OfOthers = Proved,
                    Instruments = Tape is { } tape ? [tape] : [],
                },
            }
        );
        Document = decision is Decision.Made made
            ? made.On(Document)
            : throw new InvalidOperationException($"{command}: {((Decision.Refused)decision).Why}");
    }

    private void Read(string station, Datum from, double inches)
    {
        Later(1);
        Do(
            new StoreReading(
                NewId(),
                NewId(),
                Round().Id,
                station,
                from,
                Sixteenths(inches),
                [HeightReader.AsRead],
                _now,
                null,
                null,
                InstrumentId: Tape?.Id
            )
        );
    }

    /// <summary>Reads an angle in the last walk-round, in degrees.</summary>
    public void MeasureAngle(string key, string place, double degrees) =>
        Measure(key, place, degrees.ToString("0.0", CultureInfo.InvariantCulture), null);

    /// <summary>Reads the wheels' scales in the last walk-round: LF, RF, LR, RR.</summary>
    public void Weigh(params double[] kg)
    {
        foreach (var (corner, weight) in Corners.All.Zip(kg))
        {
            Measure(
                Measures.WheelWeight,
                corner.Name(),
                FormattableString.Invariant($"{weight} kg"),
                null
            );
        }
    }

    /// <summary>Adds a wish in the owner's words.</summary>
    public void Wish(WishKind wish) => Do(new MakeWish(NewId(), 0, wish, null, null, null));

    /// <summary>Reads a measure in the last walk-round, in inches to the sixteenth.</summary>
    public void Measure(string key, string place, double inches, double? overInches = null) =>
        Measure(key, place, Sixteenths(inches), overInches);

    private void Measure(string key, string place, string typed, double? overInches)
    {
        Later(3);
        Do(
            new StoreMeasure(
                NewId(),
                NewId(),
                Round().Id,
                key,
                place,
                typed,
                overInches is { } over
                    ? new QuantityInput(Sixteenths(over), Unit.Inch, Known.Measured)
                    : null,
                [],
                _now,
                null,
                null
            )
        );
    }

    /// <summary>Corrects the last reading of a station; the first stays on the record.</summary>
    public void Correct(string station, double inches, string reason)
    {
        Later(2);
        var wrong = Document.Readings.Last(r => r.Place.Name == station);
        Do(
            new StoreReading(
                NewId(),
                NewId(),
                Round().Id,
                station,
                wrong.From!.Value,
                Sixteenths(inches),
                [HeightReader.AsRead],
                _now,
                wrong.Id,
                reason
            )
        );
    }

    /// <summary>Tapes the points of an axle's suspension, mm across or along, and up.</summary>
    public void TapePoints(Axle axle, params (double Across, double Up)[] points)
    {
        Later(20);
        Do(
            new SetPoints(
                NewId(),
                0,
                axle,
                [
                    .. Archetype
                        .Of(Document.VehicleNow().SuspensionOf(axle).Kind)!
                        .Points.Zip(
                            points,
                            (point, p) => new PointInput(point.Name, Mm(p.Across), Mm(p.Up))
                        ),
                ]
            )
        );

        static QuantityInput Mm(double value) =>
            new(value.ToString(CultureInfo.InvariantCulture), Unit.Mm, Known.Measured);
    }

    private WalkRound Round() => Document.WalkRounds.MaxBy(w => w.At)!;

    private static string Sixteenths(double inches) =>
        LengthText
            .Show(Math.Round(inches * 16) / 16 * 25.4, LengthStyle.Inches)
            .Replace(" in", "", StringComparison.Ordinal);

    /// <summary>What a joint reached in a closing step, but for one that is left.</summary>
    private IReadOnlyList<ReachedInput> Reached(CardStep step, string? but) =>
        step.Pass != Pass.Final
            ? []
            :
            [
                .. Document
                    .Joints.Where(j => step.Joints.Contains(j.Place) && j.Place != but)
                    .Select(j => new ReachedInput(
                        j.Id,
                        j.Kind.IsLookedAt()
                            ? null
                            : new QuantityInput(TorqueOf(j.Kind), Unit.PoundFoot, Known.Measured),
                        null,
                        j.Kind.IsLookedAt(),
                        j.Kind.IsLookedAt() ? null : "torque wrench"
                    )),
            ];

    private static string TorqueOf(JointKind kind) =>
        kind switch
        {
            JointKind.BondedRubber or JointKind.SpringEye => "101",
            JointKind.Ball or JointKind.SwayBarLink => "62",
            JointKind.Clamped or JointKind.StudPlate or JointKind.PinchBolt => "41",
            JointKind.Wheel => "92",
            JointKind.UBolt => "83",
            JointKind.CentreNut => "48",
            JointKind.Cushion => "74",
            JointKind.PlainBolt or JointKind.CaliperBolts or JointKind.RodEnd => "88",
            JointKind.AxleNut => "180",
            _ => "30",
        };

    private void Later(double minutes) => _now = Instants.ToMicroseconds(_now.AddMinutes(minutes));

    /// <summary>Each key a millisecond after the last, so that rows keep their order.</summary>
    private Guid NewId()
    {
        _now = _now.AddMilliseconds(1);
        return Guid.CreateVersion7(_now);
    }

    private static QuantityInput Miles(double value) =>
        new(value.ToString(CultureInfo.InvariantCulture), Unit.Mile, Known.Measured);
}
