using Nokko.Core.Jobs;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;

namespace Nokko.Server.Demo;

/// <summary>The made-up shop's tapes, gauge and wrench: one reads long, one fell and was used since, one is overdue.</summary>
internal sealed class DemoInstruments(Person keeper, DateTimeOffset now)
{
    public Instrument LongTape { get; } =
        new()
        {
            Id = Guid.CreateVersion7(),
            Kind = InstrumentKind.Tape,
            Name = "Tape 1",
            CheckDays = InstrumentRules.UsualDays,
            Checks = [Check(keeper, now, 40, Unit.Mm, 1000, 1001.5, 0.2, "steel bar, 1 m")],
        };

    public Instrument FallenTape { get; } =
        new()
        {
            Id = Guid.CreateVersion7(),
            Kind = InstrumentKind.Tape,
            Name = "Tape 2",
            CheckDays = InstrumentRules.UsualDays,
            Checks = [Check(keeper, now, 40, Unit.Mm, 1000, 1000, 0.2, "steel bar, 1 m")],
            Mishaps =
            [
                new()
                {
                    Id = Guid.CreateVersion7(),
                    At = Instants.ToMicroseconds(now.AddDays(-3)),
                    What = "fell off the lift, hook bent",
                    PersonId = keeper.Id,
                },
            ],
        };

    public IEnumerable<Instrument> All =>
        [
            LongTape,
            FallenTape,
            new()
            {
                Id = Guid.CreateVersion7(),
                Kind = InstrumentKind.AngleGauge,
                Name = "Gauge 1",
                CheckDays = 180,
                Checks = [Check(keeper, now, 200, Unit.Degree, 0, 0.1, null, "granite plate")],
            },
            new()
            {
                Id = Guid.CreateVersion7(),
                Kind = InstrumentKind.TorqueWrench,
                Name = "Wrench 4",
                Serial = "TW-0417",
                CheckDays = InstrumentRules.UsualDays,
                Checks =
                [
                    Check(keeper, now, 90, Unit.NewtonMetre, 100, 102.5, 1, "certificate 118"),
                ],
            },
        ];

    private static InstrumentCheck Check(
        Person by,
        DateTimeOffset now,
        int daysAgo,
        Unit unit,
        double truth,
        double said,
        double? within,
        string against
    ) =>
        new()
        {
            Id = Guid.CreateVersion7(),
            On = DateOnly.FromDateTime(now.UtcDateTime).AddDays(-daysAgo),
            Against = against,
            Truth = Of(truth, unit),
            Said = Of(said, unit),
            Within = within is { } w ? Of(w, unit) : null,
            PersonId = by.Id,
            At = Instants.ToMicroseconds(now.AddDays(-daysAgo)),
        };

    private static Quantity Of(double value, Unit unit) =>
        new()
        {
            Value = value,
            Unit = unit,
            Known = Known.Measured,
        };
}
