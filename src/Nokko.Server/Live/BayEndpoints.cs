using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using Microsoft.AspNetCore.Http.HttpResults;
using Nokko.Bay;
using Nokko.Core.Jobs;
using Nokko.Core.Practice;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Nokko.Server.Hosting;
using Nokko.Storage;

namespace Nokko.Server.Live;

/// <summary>The simulated bay: stand-ins for instruments that send lines of the open format.</summary>
internal static class BayEndpoints
{
    private static readonly TimeSpan Beat = TimeSpan.FromMilliseconds(250);

    public static void Map(RouteGroupBuilder api, RouteGroupBuilder jobs)
    {
        api.MapGet("/bay/instruments", () => TypedResults.Ok(Instruments.All));
        jobs.MapGet("/{job:guid}/bay/{instrument}", Lines).ExcludeFromDescription();
    }

    private static async Task<Results<ServerSentEventsResult<string>, ProblemHttpResult>> Lines(
        Guid job,
        string instrument,
        NokkoDb db,
        TimeProvider clock,
        IHostApplicationLifetime life,
        HttpContext context,
        CancellationToken cancel,
        Guid? walkRound = null,
        string place = "",
        string? measure = null,
        string from = "hub",
        double? target = null,
        string? unit = null,
        string? slip = null
    )
    {
        if (PracticeKey.Is(job))
        {
            // A stand-in would read it by itself, and from another truth.
            return Trouble
                .At("instrument", "The practice bay has a tape and no stand-ins.")
                .Answer();
        }
        if (await db.LoadDocument(job, cancel) is not { } d)
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        if (Maker() is not { } make)
        {
            return Trouble.At("instrument", "This stand-in cannot read that here.").Answer();
        }
        return TypedResults.ServerSentEvents(
            LiveEndpoints.Until(Send(make, clock, LiveEndpoints.Either(life, context, cancel)))
        );

        Func<int, DateTimeOffset, BayLine>? Maker()
        {
            var seed = HashCode.Combine(job, place, clock.GetUtcNow().Ticks);
            if (instrument == Instruments.TorqueWrench)
            {
                var chance = new Random(seed);
                return
                    target is > 0
                    && Unit.Of(unit ?? Unit.NewtonMetre.Symbol) is { } of
                    && of.SameKind(Unit.NewtonMetre)
                    && d.Joints.Any(j => j.Place == place)
                    ? (n, at) => Instruments.Torque(place, target.Value, of, n, at, chance)
                    : null;
            }
            if (
                d.WalkRounds.FirstOrDefault(w => w.Id == walkRound) is not { } round
                || Instruments.All.FirstOrDefault(i => i.Key == instrument) is not { } kind
            )
            {
                return null;
            }
            var vehicle = new VirtualVehicle(
                d,
                round,
                new BayOptions(seed, Pads: round.Pads, SlipStation: slip)
            );
            if (instrument == Instruments.HeightGauge)
            {
                return
                    d.Vehicle.Stations.Any(s => s.Name == place)
                    && Enum.TryParse<Datum>(from, true, out var datum)
                    ? (n, at) =>
                        Instruments.Height(
                            vehicle,
                            place,
                            datum,
                            n,
                            at,
                            round.Settled == Settled.No ? (at - round.At).TotalSeconds : null
                        )
                    : null;
            }
            if (instrument == Instruments.CornerScales)
            {
                return measure == Measures.WheelWeight && Corners.Named(place) is { } wheel
                    ? (n, at) => Instruments.Weight(vehicle, wheel, n, at)
                    : null;
            }
            return
                Measures.Find(measure) is { } known
                && kind.Measures.Contains(known.Key)
                && Measures.PlacesOf(known).Contains(place)
                ? (n, at) => Instruments.Angle(vehicle, instrument, known.Key, place, n, at)
                : null;
        }
    }

    private static async IAsyncEnumerable<string> Send(
        Func<int, DateTimeOffset, BayLine> make,
        TimeProvider clock,
        [EnumeratorCancellation] CancellationToken cancel
    )
    {
        using var beat = new PeriodicTimer(Beat, clock);
        for (var n = 0; ; n++)
        {
            yield return make(n, Instants.ToMicroseconds(clock.GetUtcNow())).ToString();
            await beat.WaitForNextTickAsync(cancel);
        }
    }
}
