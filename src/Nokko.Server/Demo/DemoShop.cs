using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Nokko.Storage;

namespace Nokko.Server.Demo;

/// <summary>The made-up shop: nothing in it is a real brand, owner or figure.</summary>
internal static class DemoShop
{
    public static async Task Seed(NokkoDb db, UserManager<Account> users, DateTimeOffset now)
    {
        var people = await Seeding.AddShop(
            db,
            users,
            Guid.CreateVersion7(),
            "Skarn Vale Fitting",
            [
                ("brenna", "Brenna Tarn", PersonRole.Owner),
                ("odd", "Odd Farrow", PersonRole.Fitter),
                ("linde", "Linde Sorrel", PersonRole.Apprentice),
                ("ruan", "Ruan Teal", PersonRole.Viewer),
            ],
            "stance-42"
        );
        var brenna = new Person { Id = people[0], Name = "Brenna Tarn" };
        var odd = new Person { Id = people[1], Name = "Odd Farrow" };
        Person[] crew = [brenna, odd, new() { Id = people[2], Name = "Linde Sorrel" }];
        (await db.Shops.SingleAsync(s => s.Id == db.ShopId)).Settings = ShopSettings.Usual with
        {
            Bays = DemoWeek.Bays,
        };
        var drover = new Platform
        {
            Id = Guid.CreateVersion7(),
            Name = "Ostrel Drover, second shape",
            Variants =
            [
                new(VariantAspect.Engine, ["2.4 diesel", "2.0 petrol"]),
                new(VariantAspect.Drive, ["selectable four", "rear"]),
                new(VariantAspect.Body, ["single cab", "double cab"]),
                new(VariantAspect.SuspensionOption, ["standard", "load-levelling"]),
            ],
        };
        var packer = new Platform { Id = Guid.CreateVersion7(), Name = "Skeld Packer" };
        var rescue = new Owner
        {
            Id = Guid.CreateVersion7(),
            Name = "Skarn Vale flood rescue",
            Contact = "duty desk",
        };
        var orchard = new Owner
        {
            Id = Guid.CreateVersion7(),
            Name = "Hollin Orchard co-operative",
        };
        var survey = new Owner { Id = Guid.CreateVersion7(), Name = "Ninefords river survey" };
        var parcels = new Owner { Id = Guid.CreateVersion7(), Name = "Kettle Road parcels" };
        var farrier = new Owner
        {
            Id = Guid.CreateVersion7(),
            Name = "T. Aldous, travelling farrier",
        };
        var shelf = new DemoShelf();

        foreach (
            var row in new object[] { drover, packer, rescue, orchard, survey, parcels, farrier }
        )
        {
            db.Put(row);
        }
        foreach (var part in shelf.All)
        {
            db.Put(part);
        }
        var tapes = new DemoInstruments(brenna, now);
        foreach (var instrument in tapes.All)
        {
            db.Put(instrument);
        }
        DemoJob Job(
            Owner owner,
            Platform platform,
            Person by,
            string make,
            string name,
            string plate,
            double daysAgo,
            double pace = 1
        ) =>
            new(owner, platform, by, make, name, plate, now.AddDays(-daysAgo))
            {
                Eyes = by == odd ? brenna : odd,
                Pace = pace,
            };

        JobDocument[] jobs =
        [
            WentRight(Job(farrier, drover, odd, "Ostrel", "Drover", "SV 118 K", 9, 1.2), shelf),
            NoseHighThenRight(
                Job(rescue, drover, brenna, "Ostrel", "Drover", "SV 204 R", 4, 1.5),
                shelf
            ),
            SlipOfTheTape(Job(survey, packer, brenna, "Skeld", "Packer", "NF 77 W", 3, 0.8), shelf),
            OnTheStands(Job(orchard, packer, odd, "Skeld", "Packer", "HO 31 T", 0.25), shelf),
            SideLean(Job(orchard, drover, brenna, "Ostrel", "Drover", "HO 32 T", 0.4)),
            HalfRead(Job(survey, packer, odd, "Skeld", "Packer", "NF 80 W", 0.1)),
        ];
        var platforms = new Dictionary<string, Platform>
        {
            [drover.Name] = drover,
            [packer.Name] = packer,
        };
        Platform Of(string name)
        {
            if (!platforms.TryGetValue(name, out var known))
            {
                known = db.Put(new Platform { Id = Guid.CreateVersion7(), Name = name });
                platforms[name] = known;
            }
            return known;
        }
        foreach (
            var job in jobs.Concat(DemoSystems.Jobs(db, shelf, tapes, brenna, odd, Of, now))
                .Concat(DemoFittings.Jobs(db, shelf, brenna, odd, Of, now))
        )
        {
            db.PutJob(
                DemoWeek.Book(job, crew, now),
                new HashSet<Guid> { job.Owner.Id, job.Platform.Id }
            );
            await db.SaveNew(job.Job.Id, CancellationToken.None);
        }
        // Those that came again: their jobs share vehicle, stages, rounds and joints.
        var older = Of("Ostrel Drover, first shape");
        var courier = Of("Brack Courier");
        var there = new HashSet<Guid> { orchard.Id, older.Id, parcels.Id, courier.Id };
        foreach (
            var job in ThreeVisits(orchard, older, brenna, odd, shelf, now)
                .Concat(DemoYear.Jobs(shelf, parcels, courier, odd, brenna, now))
        )
        {
            db.PutJob(job, there);
            await db.SaveNew(job.Job.Id, CancellationToken.None);
        }
        db.Put(
            new Tip
            {
                Id = Guid.CreateVersion7(),
                Operation = OperationKind.Strut,
                Text =
                    "Loosen the sway-bar links on both sides first: the second strut then goes home by hand.",
                PersonId = odd.Id,
                PersonName = odd.Name,
                At = now.AddDays(-8),
            }
        );
        await db.SaveChangesAsync();
    }

    /// <summary>On plan at the first pass, all lines closed, handed over.</summary>
    private static JobDocument WentRight(DemoJob job, DemoShelf shelf)
    {
        job.Drive(after: false, (RoadQuestion.Pull, RoadTrouble.Some, "to the left, hands off"));
        job.Round(Settled.Rolled, [20.56, 21.5, 22.88, 22.81], [41.06, 41.0]);
        job.Correct("RF", 20.5, "Read the wrong inch mark.");
        SquareAndLamps(0.25, 0.1875, 33.5);
        job.Plan("Plan A", [(Corner.LF, shelf.Thin), (Corner.RF, shelf.Thin)]);
        job.Begin();
        job.FitAll();
        job.Round(Settled.Driven, [22.69, 22.63, 22.88, 22.81], [42.31, 42.25]);
        SquareAndLamps(-0.125, -0.125, 41);
        job.Drive(after: true, (RoadQuestion.Pull, RoadTrouble.Some, "as before"));
        job.SignedBy("T. Aldous");
        job.HandOver(
            "Sits level now. Headlights were set for the old rake: have them aimed. Mind the low beam of the forge door."
        );
        return job.Document;

        void SquareAndLamps(double left, double right, double lamp)
        {
            job.Measure(Measures.CamberSquare, "LF", left, 17.5);
            job.Measure(Measures.CamberSquare, "RF", right, 17.5);
            job.Measure(Measures.LampCutOff, "left lamp", lamp, 300);
            job.Measure(Measures.LampCutOff, "right lamp", lamp, 300);
        }
    }

    /// <summary>Levelled; back after a year and a half, gone down in front, with a thicker plate since; here again for new tyres' sake.</summary>
    private static IEnumerable<JobDocument> ThreeVisits(
        Owner owner,
        Platform platform,
        Person brenna,
        Person odd,
        DemoShelf shelf,
        DateTimeOffset now
    )
    {
        var first = new DemoJob(
            owner,
            platform,
            brenna,
            "Ostrel",
            "Drover",
            "HO 12 D",
            now.AddDays(-1_100)
        )
        {
            Eyes = odd,
        };
        first.Round(Settled.Rolled, [20.5, 20.5, 22.94, 22.88], [41.13, 41.06], "245/75R17");
        first.Plan("Plan A", [(Corner.LF, shelf.Thin), (Corner.RF, shelf.Thin)]);
        first.Begin();
        first.FitAll();
        first.Round(Settled.Driven, [22.63, 22.56, 22.94, 22.88], [42.31, 42.25], "245/75R17");
        first.HandOver("Sits level now.");
        first.FollowedUp();
        yield return first.Document;
        var second = new DemoJob(
            first.Document,
            odd,
            now.AddDays(-540),
            71_300,
            "The nose has come down since, and it tows a flail now."
        )
        {
            Eyes = brenna,
        };
        second.Round(Settled.Driven, [22.06, 22, 22.75, 22.69], [42, 41.94], "245/75R17");
        second.Plan("Plan A", [(Corner.LF, shelf.Middle), (Corner.RF, shelf.Middle)]);
        second.Begin();
        second.FitAll();
        second.Round(Settled.Driven, [22.69, 22.63, 22.75, 22.69], [42.31, 42.25], "265/70R17");
        second.HandOver("A quarter more in front, for what its springs gave.");
        second.FollowedUp();
        yield return second.Document;
        var third = new DemoJob(
            second.Document,
            brenna,
            now.AddDays(-1),
            96_850,
            "Level again, and will it take the next size of tyre?"
        )
        {
            Eyes = odd,
        };
        third.Round(Settled.Driven, [22.38, 22.31, 22.5, 22.44], [42.06, 42], "265/70R17");
        yield return third.Document;
    }

    /// <summary>Lifted an inch more than a bare rule of thumb foretold; a thinner plate put it right in a second pass.</summary>
    private static JobDocument NoseHighThenRight(DemoJob job, DemoShelf shelf)
    {
        job.Round(Settled.Rolled, [20.5, 20.5, 23.06, 23], [41.13, 41.06]);
        job.Plan("Plan A", [(Corner.LF, shelf.Thick), (Corner.RF, shelf.Thick)]);
        job.Begin();
        job.FitAll();
        job.Round(Settled.Rolled, [24.06, 24, 23.06, 23], [43.19, 43.13]);
        job.Plan("Second pass", [(Corner.LF, shelf.Thin), (Corner.RF, shelf.Thin)]);
        job.Begin();
        job.FitAll(leaveOpen: "LF sway-bar link to arm");
        job.Round(Settled.Driven, [23.06, 23, 23, 22.94], [42.56, 42.5]);
        return job.Document;
    }

    /// <summary>All went well but one reading at a door handle, an inch too high.</summary>
    private static JobDocument SlipOfTheTape(DemoJob job, DemoShelf shelf)
    {
        job.Round(Settled.Rolled, [19.88, 19.81, 22.19, 22.13], [40.5, 40.44]);
        job.Plan("Plan A", [(Corner.LF, shelf.Thin), (Corner.RF, shelf.Thin)]);
        job.Begin();
        job.FitAll();
        job.Round(Settled.Rolled, [22.06, 22, 22.19, 22.13], [41.81, 42.75]);
        return job.Document;
    }

    /// <summary>Hanging on the lift, the left upper ball joint parted: the arm goes on its jack next.</summary>
    private static JobDocument OnTheStands(DemoJob job, DemoShelf shelf)
    {
        job.Round(Settled.Bounced, [19.94, 19.94, 22.5, 22.44], [40.56, 40.5]);
        job.Plan("Plan A", [(Corner.LF, shelf.Middle), (Corner.RF, shelf.Middle)]);
        job.Begin();
        job.FitTo("LF/part");
        return job.Document;
    }

    /// <summary>Measured before, right side low at both ends; nothing planned yet.</summary>
    private static JobDocument SideLean(DemoJob job)
    {
        job.Round(Settled.Rolled, [20.75, 20.13, 22.81, 22.25], [41.25, 40.63]);
        return job.Document;
    }

    /// <summary>Just taken in: two stations read, the front suspension taped.</summary>
    private static JobDocument HalfRead(DemoJob job)
    {
        job.Round(Settled.Rolled, [20.06], [40.63]);
        job.TapePoints(
            Axle.Front,
            (235, 262),
            (628, 224),
            (338, 596),
            (607, 571),
            (470, 255),
            (412, 782),
            (700, 392)
        );
        return job.Document;
    }
}
