using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What was written down when a vehicle came is put right: whose it is, what it is, and what was fitted.</summary>
public class CorrectTakenInTests
{
    private readonly Workshop _shop = new();

    private CorrectTakenIn Correction(uint job = 0, uint vehicle = 0, uint owner = 0) =>
        new(
            _shop.Key(),
            job,
            vehicle,
            owner,
            "Ida Vik",
            "ida@vik.example",
            "Tarn",
            "Fell",
            "IV 7",
            " ",
            null,
            null,
            null,
            "a clunk",
            "level",
            new DateOnly(2026, 12, 3),
            Workshop.Typed("81000", Unit.Km),
            Equipment.Pit
        );

    [Fact]
    public void What_was_written_down_at_the_take_in_is_corrected_in_its_three_places()
    {
        var before = _shop.Document;
        _shop.Do(Correction());
        var (owner, vehicle, job) = (
            _shop.Document.Owner,
            _shop.Document.Vehicle,
            _shop.Document.Job
        );
        Assert.Equal(("Ida Vik", "ida@vik.example"), (owner.Name, owner.Contact));
        Assert.Equal(
            ("Tarn", "Fell", "IV 7", null),
            (vehicle.Make, vehicle.Name, vehicle.Plate, vehicle.Vin)
        );
        Assert.Equal(("level", "a clunk", Equipment.Pit), (job.Wish, job.Troubles, job.Equipment));
        Assert.Equal(81000, job.OdometerIn!.In(Unit.Km), 9);
        // What has a form of its own stays.
        Assert.Equal(before.Job.Target, job.Target);
        Assert.Equal(before.Vehicle.Dimensions, vehicle.Dimensions);
        _shop.AssertRefused(
            Correction() with
            {
                OwnerName = " ",
            },
            RefusalKind.BadValue,
            "ownerName"
        );
        _shop.AssertRefused(Correction() with { Plate = null }, RefusalKind.BadValue, "plate");
        _shop.AssertRefused(
            Correction() with
            {
                Odometer = Workshop.Typed("-1", Unit.Km),
            },
            RefusalKind.BadValue,
            "odometer"
        );
        _shop.Document = _shop.Document with
        {
            Job = job with
            {
                OdometerOut = new Quantity
                {
                    Value = 81010,
                    Unit = Unit.Km,
                    Known = Known.Told,
                },
            },
        };
        _shop.AssertRefused(
            Correction() with
            {
                Odometer = Workshop.Typed("81011", Unit.Km),
            },
            RefusalKind.BadValue,
            "odometer"
        );
    }

    [Fact]
    public void A_correction_meets_another_s_change_only_in_what_it_changes()
    {
        _shop.Do(Correction());
        _shop.Versions[_shop.Document.Owner.Id] = 4;
        _shop.Versions[_shop.Document.Vehicle.Id] = 5;
        _shop.Versions[_shop.Document.Job.Id] = 6;
        // Only the plate differs: an older owner and job stand in nobody's way, however the odometer was known.
        _shop.Document = _shop.Document with
        {
            Job = _shop.Document.Job with
            {
                OdometerIn = _shop.Document.Job.OdometerIn! with { Known = Known.Document },
            },
        };
        var made = _shop.Do(Correction(vehicle: 5) with { Plate = "IV 8" });
        Assert.IsType<Vehicle>(Assert.Single(made.Changes).Row);
        var why = _shop.Refused(Correction(vehicle: 4) with { Plate = "IV 9" });
        Assert.Equal(
            (RefusalKind.Conflict, _shop.Document.Vehicle.Id, (object)_shop.Document.Vehicle),
            (why.Kind, why.Row, why.Theirs)
        );
    }

    // --- whose it is -------------------------------------------------------------------------------

    [Fact]
    public void Another_name_renames_the_owner_and_another_owner_leaves_the_first_as_they_were()
    {
        var first = _shop.Document.Owner;
        _shop.Do(Correction());
        Assert.Equal((first.Id, "Ida Vik"), (_shop.Document.Owner.Id, _shop.Document.Owner.Name));

        var ida = _shop.Document.Owner;
        var key = _shop.Key();
        var made = _shop.Do(
            Correction() with
            {
                OwnerName = "Nils Ask",
                OwnerContact = "nils@ask.example",
                NewOwnerId = key,
            }
        );
        var nils = _shop.Document.Owner;
        Assert.Equal((key, "Nils Ask"), (nils.Id, nils.Name));
        Assert.Equal(key, _shop.Document.Vehicle.OwnerId);
        // What is stored is a new owner; Ida's row is touched by nothing.
        var net = RowChanges.Net(made.Changes);
        Assert.IsType<RowChange.Added>(Assert.Single(net, c => c.Row is Owner));
        Assert.DoesNotContain(net, c => c.Row.Id == ida.Id);
    }

    [Fact]
    public void An_owner_whom_the_shop_knows_is_that_owner_and_keeps_what_nobody_typed()
    {
        _shop.Owner = new Owner
        {
            Id = _shop.Key(),
            Name = "Nils Ask",
            Contact = "0701",
        };
        _shop.Do(
            Correction() with
            {
                OwnerName = " Nils Ask ",
                OwnerContact = null,
                NewOwnerId = _shop.Key(),
            }
        );
        Assert.Equal(_shop.Owner, _shop.Document.Owner);
        Assert.Equal(_shop.Owner.Id, _shop.Document.Vehicle.OwnerId);

        var other = new Workshop { Owner = _shop.Owner };
        var made = other.Do(
            Correction() with
            {
                OwnerName = "Nils Ask",
                OwnerContact = "0702",
                NewOwnerId = other.Key(),
            }
        );
        var mended = Assert.IsType<RowChange.Replaced>(
            Assert.Single(RowChanges.Net(made.Changes), c => c.Row is Owner)
        );
        Assert.Equal((_shop.Owner.Id, "0702"), (mended.Was.Id, ((Owner)mended.Row).Contact));
    }

    [Fact]
    public void Whoever_saw_another_owner_is_told()
    {
        _shop.Versions[_shop.Document.Owner.Id] = 4;
        var why = _shop.Refused(Correction(owner: 3) with { NewOwnerId = _shop.Key() });
        Assert.Equal((RefusalKind.Conflict, _shop.Document.Owner.Id), (why.Kind, why.Row));
    }

    // --- what it is --------------------------------------------------------------------------------

    [Fact]
    public void A_platform_is_one_of_the_shops_and_its_lists_say_how_a_variant_is_written()
    {
        _shop.Platform = new Platform
        {
            Id = _shop.Key(),
            Name = "Fell, wide",
            Variants = [new VariantList(VariantAspect.Engine, ["2.4 Diesel"])],
        };
        _shop.AssertRefused(
            Correction() with
            {
                PlatformId = _shop.Key(),
            },
            RefusalKind.BadValue,
            "platformId"
        );
        _shop.Do(Correction() with { PlatformId = _shop.Platform.Id, Engine = "2.4 diesel" });
        Assert.Equal(_shop.Platform, _shop.Document.Platform);
        Assert.Equal(
            (_shop.Platform.Id, "2.4 Diesel"),
            (_shop.Document.Vehicle.PlatformId, _shop.Document.Vehicle.Engine)
        );
        // The same one again is none.
        Assert.DoesNotContain(
            _shop
                .Do(Correction() with { PlatformId = _shop.Platform.Id, Engine = "2.4 diesel" })
                .Changes,
            c => c.Row is Platform
        );
    }

    [Fact]
    public void Another_sort_brings_its_usual_sizes_where_nobody_told_any()
    {
        var was = _shop.Document.Vehicle;
        Assert.Equal(
            (VehicleKind.Pickup, Known.Measured),
            (was.Kind, was.Dimensions.Wheelbase!.Known)
        );
        _shop.Document = _shop.Document with
        {
            Vehicle = was with
            {
                Dimensions = VehicleDefaults.Fill(
                    was.Dimensions with
                    {
                        FrontAxleMass = null,
                    },
                    VehicleKind.Pickup
                ),
                TyreSize = VehicleDefaults.TyreSize(VehicleKind.Pickup),
                TyreKnown = Known.Estimated,
                Stations = VehicleDefaults.Stations(
                    VehicleDefaults.Fill(was.Dimensions, VehicleKind.Pickup),
                    VehicleKind.Pickup
                ),
            },
        };
        _shop.Do(Correction() with { Sort = VehicleKind.Utv, BodyKind = BodyKind.Unibody });
        var now = _shop.Document.Vehicle;
        Assert.Equal((VehicleKind.Utv, BodyKind.Unibody), (now.Kind, now.BodyKind));
        // What was measured stays; what was guessed of a pickup is guessed of a UTV.
        Assert.Equal(was.Dimensions.Wheelbase, now.Dimensions.Wheelbase);
        Assert.Equal(was.Dimensions.RearAxleMass, now.Dimensions.RearAxleMass);
        Assert.Equal(330, now.Dimensions.FrontAxleMass!.In(Unit.Kg), 9);
        Assert.Equal(VehicleDefaults.TyreSize(VehicleKind.Utv), now.TyreSize);
        // A UTV has no bed: its rear lips hang on the body.
        Assert.Equal(Carrier.Body, now.Stations.First(s => s.Name == "RR").Carrier);
        // What was read off a tyre stays, whatever the vehicle is called.
        _shop.Document = _shop.Document with
        {
            Vehicle = now with { TyreSize = "33x12.50R15", TyreKnown = Known.Measured },
        };
        _shop.Do(Correction() with { Sort = VehicleKind.Pickup, BodyKind = BodyKind.Unibody });
        Assert.Equal("33x12.50R15", _shop.Document.Vehicle.TyreSize);
    }

    // --- how it stood ------------------------------------------------------------------------------

    private static FittedInput Fitted(
        Guid id,
        Corner corner,
        string name,
        string thickness = "",
        PartKind kind = PartKind.CoilSpacer
    ) => new(id, corner, name, kind, Workshop.Typed(thickness, Unit.Mm), null);

    private static PlacedPart Placed(Guid id, string name, double thickness) =>
        new()
        {
            Id = id,
            Name = name,
            Kind = PartKind.CoilSpacer,
            Thickness = Sample.Mm(thickness),
        };

    private void Stands(params CornerStack[] stacks) =>
        _shop.Document = _shop.Document with
        {
            Stages =
            [
                _shop.Document.Stages[0] with
                {
                    JobId = _shop.Document.Job.Id,
                    Stacks = stacks,
                },
            ],
        };

    private static CornerStack At(Corner corner, params PlacedPart[] parts) =>
        new() { Corner = corner, Parts = parts };

    private Plan Draft(params CornerStack[] stacks) =>
        new()
        {
            Id = _shop.Key(),
            Name = "Plan A",
            FromStageId = _shop.Document.Job.StageId,
            Stacks = stacks,
            Chosen = true,
        };

    private string[] Planned(Corner corner) =>
        [.. CornerStack.At(_shop.Document.Plans[0].Stacks, corner).Select(p => p.Name)];

    [Fact]
    public void What_was_fitted_is_put_right_and_the_plans_stand_on_what_really_was_there()
    {
        var (old, gone, moved) = (_shop.Key(), _shop.Key(), _shop.Key());
        Stands(
            At(Corner.LF, Placed(old, "old spacer", 20), Placed(gone, "ring", 5)),
            At(Corner.RF, Placed(moved, "puck", 10))
        );
        // The plan takes the old spacer off, keeps the ring, moves the puck to the left, and adds a plate on the right.
        var plate = Placed(_shop.Key(), "plate", 25);
        _shop.Document = _shop.Document with
        {
            Plans =
            [
                Draft(
                    At(Corner.LF, Placed(gone, "ring", 5), Placed(moved, "puck", 10)),
                    At(Corner.RF, plate)
                ),
            ],
        };
        // Really there was no ring, the puck is thicker, and another ring lies at the right.
        _shop.Do(
            Correction() with
            {
                Fitted =
                [
                    Fitted(old, Corner.LF, "old spacer", "20"),
                    Fitted(moved, Corner.RF, "puck", "12"),
                    Fitted(_shop.Key(), Corner.RF, "rust ring", "3"),
                ],
            }
        );
        Assert.Equal(
            ["old spacer"],
            CornerStack.At(_shop.Document.FirstStage()!.Stacks, Corner.LF).Select(p => p.Name)
        );
        Assert.Equal(["puck"], Planned(Corner.LF));
        Assert.Equal(["rust ring", "plate"], Planned(Corner.RF));
        Assert.Equal(
            12,
            CornerStack.At(_shop.Document.Plans[0].Stacks, Corner.LF)[0].Thickness!.In(Unit.Mm),
            9
        );
    }

    [Fact]
    public void A_piece_keeps_what_nobody_typed_anew_and_the_same_list_changes_nothing()
    {
        var id = _shop.Key();
        var known = Placed(id, "spacer", 20) with { PartId = _shop.Key(), Number = "T-9" };
        Stands(At(Corner.LR, known));
        var same = Correction() with { Fitted = [Fitted(id, Corner.LR, "spacer", "20")] };
        Assert.DoesNotContain(_shop.Do(same).Changes, c => c.Row is Stage);
        _shop.Do(Correction() with { Fitted = [Fitted(id, Corner.LR, "spacer", "22")] });
        var now = CornerStack.At(_shop.Document.FirstStage()!.Stacks, Corner.LR)[0];
        Assert.Equal((known.PartId, "T-9"), (now.PartId, now.Number));
        Assert.Equal(22, now.Thickness!.In(Unit.Mm), 9);
        _shop.AssertRefused(
            Correction() with
            {
                Fitted = [Fitted(_shop.Key(), Corner.LR, " ")],
            },
            RefusalKind.BadValue,
            "fitted[0].name"
        );
    }

    [Fact]
    public void Of_a_vehicle_that_came_again_the_record_of_the_earlier_job_stays()
    {
        var came = _shop.Document.Stages[0] with { JobId = _shop.Key() };
        _shop.Document = _shop.Document with { Stages = [came] };
        _shop.ReadBefore();
        _shop.Document = _shop.Document with { Plans = [Draft()] };
        _shop.Do(Correction() with { Fitted = [Fitted(_shop.Key(), Corner.LF, "spacer", "20")] });
        var d = _shop.Document;
        Assert.Equal([came.Id], d.Stages.Where(s => s.JobId != d.Job.Id).Select(s => s.Id));
        Assert.Empty(d.Stages.First(s => s.Id == came.Id).Stacks);
        var now = d.CurrentStage()!;
        Assert.Equal((now.Id, came.Ordinal + 1, d.Job.Id), (d.Job.StageId, now.Ordinal, now.JobId));
        Assert.All(d.OwnRounds(), r => Assert.Equal(now.Id, r.StageId));
        Assert.Equal((now.Id, "spacer"), (d.Plans[0].FromStageId, Planned(Corner.LF).Single()));
    }

    [Fact]
    public void Once_work_was_begun_what_was_there_stands_in_the_plan()
    {
        Stands(At(Corner.LF, Placed(_shop.Key(), "spacer", 20)));
        var came = _shop.Document.Stages[0];
        _shop.Document = _shop.Document with
        {
            Stages = [came, came with { Id = _shop.Key(), Ordinal = came.Ordinal + 1 }],
        };
        _shop.AssertRefused(Correction() with { Fitted = [] }, RefusalKind.Gate, "fitted");
        _shop.Do(Correction());
    }

    [Fact]
    public void Somebody_else_s_change_of_how_it_stands_is_told()
    {
        Stands();
        _shop.Versions[_shop.Document.Job.StageId] = 3;
        var all = Correction() with { Fitted = [Fitted(_shop.Key(), Corner.LF, "spacer")] };
        Assert.Equal(
            (RefusalKind.Conflict, _shop.Document.Job.StageId),
            (_shop.Refused(all with { StageVersion = 2 }).Kind, _shop.Refused(all).Row)
        );
        _shop.Do(all with { StageVersion = 3 });
    }

    [Fact]
    public void As_another_sort_it_keeps_the_tyres_that_were_read_and_gets_others_for_guessed_ones()
    {
        string? Tyres(Known known)
        {
            _shop.Document = _shop.Document with
            {
                Vehicle = Sample.Pickup with { TyreKnown = known },
            };
            _shop.Do(Correction() with { Sort = VehicleKind.Utv });
            return _shop.Document.Vehicle.TyreSize;
        }
        Assert.Equal(Sample.Pickup.TyreSize, Tyres(Known.Document));
        Assert.Equal(Sample.Pickup.TyreSize, Tyres(Known.Told));
        Assert.Equal(VehicleDefaults.TyreSize(VehicleKind.Utv), Tyres(Known.Estimated));
        Assert.NotEqual(Sample.Pickup.TyreSize, VehicleDefaults.TyreSize(VehicleKind.Utv));
    }
}
