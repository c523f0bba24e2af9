using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Tape;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What says who an owner is goes; what was measured stays.</summary>
public class EraseOwnerTests
{
    private readonly Workshop _shop = new() { Role = PersonRole.Owner };

    private OwnersData Data(bool open = false)
    {
        var d = _shop.Document;
        return new OwnersData(
            d.Owner with
            {
                Contact = "by the mill",
            },
            [
                d.Vehicle with
                {
                    Plate = "QZ 1",
                    Vin = "V1",
                },
                d.Vehicle with
                {
                    Id = _shop.Key(),
                    Plate = null,
                    Vin = "V2",
                },
                d.Vehicle with
                {
                    Id = _shop.Key(),
                    Plate = null,
                    Vin = null,
                },
            ],
            [
                new StepEntry
                {
                    Id = _shop.Key(),
                    PlanId = _shop.Key(),
                    Step = "s",
                    Minutes = 12,
                    AgreedBy = d.Owner.Name,
                    PersonId = _shop.PersonId,
                    At = _shop.Now,
                },
            ],
            [
                new Signature
                {
                    Id = _shop.Key(),
                    Name = d.Owner.Name,
                    As = SignedAs.Owner,
                    Told = ["Slowly."],
                    Strokes =
                    [
                        [1, 1, 2, 2, 3, 3, 4, 4],
                    ],
                    PersonId = _shop.PersonId,
                    At = _shop.Now,
                },
            ],
            [
                new Attachment
                {
                    Id = _shop.Key(),
                    Sha256 = new string('a', 64),
                    MediaType = "image/png",
                    PersonId = _shop.PersonId,
                    At = _shop.Now,
                },
            ],
            open
        );
    }

    private Decision Decide(OwnersData? data, bool photographs = false) =>
        new EraseOwner(_shop.Key(), _shop.Document.Owner.Id, photographs).On(
            new ShopState { OwnersData = data },
            _shop.Context()
        );

    [Fact]
    public void Name_contact_plates_vins_and_who_agreed_go_and_nothing_else()
    {
        var data = Data();
        var changes = Assert.IsType<Decision.Made>(Decide(data)).Changes;
        var replaced = changes.Cast<RowChange.Replaced>().ToArray();
        Assert.Equal(
            data.Owner with
            {
                Name = EraseOwner.Name,
                Contact = null,
            },
            Assert.Single(replaced.Select(r => r.Row).OfType<Owner>())
        );
        // The one that has neither stays untouched.
        Assert.Equal(
            data.Vehicles.Take(2).Select(v => v with { Plate = null, Vin = null }),
            replaced.Select(r => r.Row).OfType<Vehicle>()
        );
        Assert.Equal(
            data.Agreed[0] with
            {
                AgreedBy = "the owner",
            },
            Assert.Single(replaced.Select(r => r.Row).OfType<StepEntry>())
        );
        var signed = Assert.Single(replaced.Select(r => r.Row).OfType<Signature>());
        Assert.Equal(EraseOwner.Name, signed.Name);
        Assert.Empty(signed.Strokes);
        Assert.Equal(["Slowly."], signed.Told);
        Assert.Equal(5, changes.Count);
    }

    [Fact]
    public void Photographs_go_when_that_is_asked_for()
    {
        var data = Data();
        var gone = Assert
            .IsType<Decision.Made>(Decide(data, photographs: true))
            .Changes.OfType<RowChange.Withdrawn>();
        Assert.Equal(data.Photographs[0], Assert.Single(gone).Row);
    }

    [Fact]
    public void An_open_job_nobody_and_whoever_is_no_owner_are_refused()
    {
        Assert.Equal((RefusalKind.Gate, "id"), Refused(Decide(Data(open: true))));
        Assert.Equal((RefusalKind.Gone, ""), Refused(Decide(null)));
        foreach (var role in Enum.GetValues<PersonRole>().Except([PersonRole.Owner]))
        {
            _shop.Role = role;
            Assert.IsType<Decision.Refused>(Decide(Data()));
        }

        static (RefusalKind, string) Refused(Decision decision)
        {
            var why = Assert.IsType<Decision.Refused>(decision).Why;
            return (why.Kind, why.Field);
        }
    }
}
