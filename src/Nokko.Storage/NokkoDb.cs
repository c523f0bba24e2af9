using System.Reflection;
using System.Text.Json;
using Microsoft.AspNetCore.DataProtection.EntityFrameworkCore;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Identity.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;
using Nokko.Core.Fitting;
using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Practice;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Nokko.Core.Week;
using Nokko.Core.Year;
using Nokko.Storage.Configurations;

namespace Nokko.Storage;

/// <summary>The database of all shops. Rows of one shop only are seen: those of <see cref="ShopId"/>.</summary>
public sealed class NokkoDb(DbContextOptions<NokkoDb> options)
    : IdentityUserContext<Account, Guid>(options),
        IDataProtectionKeyContext
{
    /// <summary>Shadow property of every row: the shop that it belongs to.</summary>
    public const string ShopIdColumn = "ShopId";

    /// <summary>Shadow property of every row of a job.</summary>
    public const string JobIdColumn = "JobId";

    /// <summary>Shadow property of every row of a vehicle: it outlives the job.</summary>
    public const string VehicleIdColumn = "VehicleId";

    /// <summary>The concurrency token, PostgreSQL's own row version.</summary>
    public const string VersionColumn = "Version";

    private static readonly Confirmed OnlyConfirmed = new();

    private IDbContextTransaction? _told;

    /// <summary>The shop whose rows are seen and written; set from the sign-in.</summary>
    public Guid ShopId
    {
        get;
        set
        {
            field = value;
            _told = null;
        }
    }

    public DbSet<Shop> Shops => Set<Shop>();
    public DbSet<Device> Devices => Set<Device>();
    public DbSet<OneTimeLink> OneTimeLinks => Set<OneTimeLink>();
    public DbSet<SharedAddress> SharedAddresses => Set<SharedAddress>();
    public DbSet<DataProtectionKey> DataProtectionKeys => Set<DataProtectionKey>();
    public DbSet<Owner> Owners => Set<Owner>();
    public DbSet<Platform> Platforms => Set<Platform>();
    public DbSet<Vehicle> Vehicles => Set<Vehicle>();
    public DbSet<Job> Jobs => Set<Job>();
    public DbSet<Part> Parts => Set<Part>();
    public DbSet<StockMove> StockMoves => Set<StockMove>();
    public DbSet<Stage> Stages => Set<Stage>();
    public DbSet<WalkRound> WalkRounds => Set<WalkRound>();
    public DbSet<Reading> Readings => Set<Reading>();
    public DbSet<Plan> Plans => Set<Plan>();
    public DbSet<FrozenPrediction> FrozenPredictions => Set<FrozenPrediction>();
    public DbSet<Joint> Joints => Set<Joint>();
    public DbSet<TorqueEntry> TorqueEntries => Set<TorqueEntry>();
    public DbSet<OffLine> OffLines => Set<OffLine>();
    public DbSet<StepEntry> Steps => Set<StepEntry>();
    public DbSet<ShopWays> ShopWays => Set<ShopWays>();
    public DbSet<Tip> Tips => Set<Tip>();
    public DbSet<Instrument> Instruments => Set<Instrument>();
    public DbSet<StoredCommand> Commands => Set<StoredCommand>();
    public DbSet<JobSummary> Summaries => Set<JobSummary>();
    public DbSet<PersonOnJob> PeopleOnJobs => Set<PersonOnJob>();
    public DbSet<StoredFile> Files => Set<StoredFile>();
    public DbSet<JobWorkload> Workloads => Set<JobWorkload>();
    public DbSet<Booking> Bookings => Set<Booking>();
    public DbSet<JobEvidence> Evidence => Set<JobEvidence>();
    public DbSet<KeptTrial> Trials => Set<KeptTrial>();
    public DbSet<KeptSettled> SettledSprings => Set<KeptSettled>();
    public DbSet<JobYear> Years => Set<JobYear>();
    public DbSet<KeptSums> Sums => Set<KeptSums>();
    public DbSet<Exercise> Exercises => Set<Exercise>();
    public DbSet<DrillEntry> Drills => Set<DrillEntry>();

    /// <summary>A context of a database.</summary>
    /// <param name="options">What is made.</param>
    /// <param name="connection">The database.</param>
    public static void Configure(DbContextOptionsBuilder options, string connection) =>
        options.UseNpgsql(connection).UseSnakeCaseNamingConvention().AddInterceptors(OnlyConfirmed);

    /// <summary>Whether the next command must tell the shop; within a transaction it is told once.</summary>
    internal bool Tells()
    {
        var transaction = Database.CurrentTransaction;
        if (ShopId == Guid.Empty || (transaction is not null && transaction == _told))
        {
            return false;
        }
        _told = transaction;
        return true;
    }

    /// <inheritdoc/>
    public override async Task<int> SaveChangesAsync(
        bool acceptAllChangesOnSuccess,
        CancellationToken cancellationToken = default
    )
    {
        if (ShopId == Guid.Empty || Database.CurrentTransaction is { } open && open == _told)
        {
            return await base.SaveChangesAsync(acceptAllChangesOnSuccess, cancellationToken);
        }
        if (Database.CurrentTransaction is not null)
        {
            await Tell();
            return await base.SaveChangesAsync(acceptAllChangesOnSuccess, cancellationToken);
        }
        await using var transaction = await Database.BeginTransactionAsync(cancellationToken);
        await Tell();
        var saved = await base.SaveChangesAsync(false, cancellationToken);
        await transaction.CommitAsync(cancellationToken);
        if (acceptAllChangesOnSuccess)
        {
            ChangeTracker.AcceptAllChanges();
        }
        return saved;

        // Any command tells it.
        Task<int> Tell() => Database.ExecuteSqlRawAsync("select 1", cancellationToken);
    }

    protected override void OnConfiguring(DbContextOptionsBuilder optionsBuilder) =>
        optionsBuilder.AddInterceptors(ShopScope.Instance);

    protected override void ConfigureConventions(ModelConfigurationBuilder configurationBuilder)
    {
        configurationBuilder.Properties<Enum>().HaveConversion<string>();
        Json<Quantity>();
        Json<Place>();
        Json<Target>();
        Json<Suspension>();
        Json<VehicleDimensions>();
        Json<Prediction>();
        Json<JointSpec>();
        Json<ReadBy>();
        Json<IReadOnlyList<InstrumentCheck>>();
        Json<IReadOnlyList<InstrumentMishap>>();
        Json<YardFacts>();
        Json<ShopSettings>();
        Json<Workload>();
        Json<YearFacts>();
        Json<Comeback>();
        Json<IReadOnlyList<RecordedChange>>();
        Json<IReadOnlyDictionary<string, Quantity>>();
        Json<IReadOnlyList<Leaf>>();
        Json<IReadOnlyList<StatedLoad>>();
        Json<IReadOnlyList<ToldGain>>();
        Json<IReadOnlyList<Station>>();
        Json<IReadOnlyList<WheelPad>>();
        Json<IReadOnlyList<WheelTyre>>();
        Json<IReadOnlyList<VehicleMode>>();
        Json<IReadOnlyList<CornerStack>>();
        Json<IReadOnlyList<Fastener>>();
        Json<IReadOnlyList<ShopWay>>();
        Json<IReadOnlyList<GeometryLimit>>();
        Json<IReadOnlyList<KitPiece>>();
        Json<KitSheet>();
        Json<KitContents>();
        Json<PartFit>();
        Json<IReadOnlyList<VariantList>>();
        Json<IReadOnlyList<MatePlace>>();
        Json<IReadOnlyList<FittedAnyway>>();
        Json<IReadOnlyList<AxleConversion>>();
        Json<IReadOnlyList<RoadAnswer>>();
        Json<IReadOnlyList<Offer>>();
        Json<IReadOnlyList<IReadOnlyList<int>>>();
        Json<HiddenTruth>();
        Json<IReadOnlyList<Part>>();
        Json<IReadOnlyList<PracticeAct>>();
        Json<PracticeScore>();

        void Json<T>() =>
            configurationBuilder
                .Properties<T>()
                .HaveConversion<AsJson<T>, SameJson<T>>()
                .HaveColumnType("jsonb");
    }

    protected override void OnModelCreating(ModelBuilder builder)
    {
        base.OnModelCreating(builder);
        // The search of the yard looks for any piece of a text.
        builder.HasPostgresExtension("pg_trgm");
        builder.Ignore<IdentityUserPasskey<Guid>>();
        builder.Ignore<IdentityPasskeyData>();
        builder.Entity<IdentityUserClaim<Guid>>().ToTable("account_claims");
        builder.Entity<IdentityUserLogin<Guid>>().ToTable("account_logins");
        builder.Entity<IdentityUserToken<Guid>>().ToTable("account_tokens");
        builder.ApplyConfigurationsFromAssembly(typeof(NokkoDb).Assembly);
        var filter = GetType()
            .GetMethod(nameof(ShowOneShop), BindingFlags.NonPublic | BindingFlags.Instance)!;
        foreach (
            var type in builder
                .Model.GetEntityTypes()
                .Select(t => t.ClrType)
                // Who comes is looked up before it is known of which shop.
                .Where(t =>
                    t != typeof(Account) && t != typeof(OneTimeLink) && t != typeof(SharedAddress)
                )
                .ToArray()
        )
        {
            if (builder.Entity(type).Metadata.FindProperty(ShopIdColumn) is not null)
            {
                filter.MakeGenericMethod(type).Invoke(this, [builder]);
            }
        }
    }

    /// <summary>Shows each query the rows of one shop only. An instance method: EF exchanges this context for the one that asks.</summary>
    private void ShowOneShop<T>(ModelBuilder builder)
        where T : class =>
        builder.Entity<T>().HasQueryFilter(row => EF.Property<Guid>(row, ShopIdColumn) == ShopId);

    /// <summary>Adds a row of this shop.</summary>
    public T Put<T>(T row)
        where T : class
    {
        Add(row).Property(ShopIdColumn).CurrentValue = ShopId;
        return row;
    }
}
