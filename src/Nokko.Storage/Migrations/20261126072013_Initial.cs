using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Npgsql.EntityFrameworkCore.PostgreSQL.Metadata;
using NpgsqlTypes;

#nullable disable

namespace Nokko.Storage.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(NokkoDb))]
    [Migration("20261126072013_Initial")]
    public class Initial : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AlterDatabase().Annotation("Npgsql:PostgresExtension:pg_trgm", ",,");

            migrationBuilder.CreateTable(
                name: "data_protection_keys",
                columns: table => new
                {
                    id = table
                        .Column<int>(type: "integer", nullable: false)
                        .Annotation(
                            "Npgsql:ValueGenerationStrategy",
                            NpgsqlValueGenerationStrategy.IdentityByDefaultColumn
                        ),
                    friendly_name = table.Column<string>(type: "text", nullable: true),
                    xml = table.Column<string>(type: "text", nullable: true),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_data_protection_keys", x => x.id);
                }
            );

            migrationBuilder.CreateTable(
                name: "shops",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "text", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_shops", x => x.id);
                }
            );

            migrationBuilder.CreateTable(
                name: "accounts",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                    person_name = table.Column<string>(type: "text", nullable: false),
                    length_unit = table.Column<string>(type: "text", nullable: false),
                    user_name = table.Column<string>(
                        type: "character varying(256)",
                        maxLength: 256,
                        nullable: true
                    ),
                    normalized_user_name = table.Column<string>(
                        type: "character varying(256)",
                        maxLength: 256,
                        nullable: true
                    ),
                    email = table.Column<string>(
                        type: "character varying(256)",
                        maxLength: 256,
                        nullable: true
                    ),
                    normalized_email = table.Column<string>(
                        type: "character varying(256)",
                        maxLength: 256,
                        nullable: true
                    ),
                    email_confirmed = table.Column<bool>(type: "boolean", nullable: false),
                    password_hash = table.Column<string>(type: "text", nullable: true),
                    security_stamp = table.Column<string>(type: "text", nullable: true),
                    concurrency_stamp = table.Column<string>(type: "text", nullable: true),
                    phone_number = table.Column<string>(type: "text", nullable: true),
                    phone_number_confirmed = table.Column<bool>(type: "boolean", nullable: false),
                    two_factor_enabled = table.Column<bool>(type: "boolean", nullable: false),
                    lockout_end = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: true
                    ),
                    lockout_enabled = table.Column<bool>(type: "boolean", nullable: false),
                    access_failed_count = table.Column<int>(type: "integer", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_accounts", x => x.id);
                    table.ForeignKey(
                        name: "fk_accounts_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "files",
                columns: table => new
                {
                    sha256 = table.Column<string>(type: "text", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                    content = table.Column<byte[]>(type: "bytea", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_files", x => new { x.shop_id, x.sha256 });
                    table.ForeignKey(
                        name: "fk_files_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "owners",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "text", nullable: false),
                    contact = table.Column<string>(type: "text", nullable: true),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_owners", x => x.id);
                    table.ForeignKey(
                        name: "fk_owners_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "parts",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    number = table.Column<string>(type: "text", nullable: false),
                    name = table.Column<string>(type: "text", nullable: false),
                    kind = table.Column<string>(type: "text", nullable: false),
                    thickness = table.Column<string>(type: "jsonb", nullable: true),
                    claim = table.Column<string>(type: "jsonb", nullable: true),
                    extension = table.Column<string>(type: "jsonb", nullable: true),
                    dimensions = table.Column<string>(type: "jsonb", nullable: false),
                    leaves = table.Column<string>(type: "jsonb", nullable: false),
                    count = table.Column<int>(type: "integer", nullable: false),
                    price = table.Column<decimal>(type: "numeric", nullable: true),
                    currency = table.Column<string>(type: "text", nullable: true),
                    hours = table.Column<string>(type: "jsonb", nullable: true),
                    limits = table.Column<string>(type: "text", nullable: true),
                    notes = table.Column<string>(type: "text", nullable: true),
                    binned_at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: true
                    ),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_parts", x => x.id);
                    table.ForeignKey(
                        name: "fk_parts_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "platforms",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "text", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_platforms", x => x.id);
                    table.ForeignKey(
                        name: "fk_platforms_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "account_claims",
                columns: table => new
                {
                    id = table
                        .Column<int>(type: "integer", nullable: false)
                        .Annotation(
                            "Npgsql:ValueGenerationStrategy",
                            NpgsqlValueGenerationStrategy.IdentityByDefaultColumn
                        ),
                    user_id = table.Column<Guid>(type: "uuid", nullable: false),
                    claim_type = table.Column<string>(type: "text", nullable: true),
                    claim_value = table.Column<string>(type: "text", nullable: true),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_account_claims", x => x.id);
                    table.ForeignKey(
                        name: "fk_account_claims_asp_net_users_user_id",
                        column: x => x.user_id,
                        principalTable: "accounts",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "account_logins",
                columns: table => new
                {
                    login_provider = table.Column<string>(type: "text", nullable: false),
                    provider_key = table.Column<string>(type: "text", nullable: false),
                    provider_display_name = table.Column<string>(type: "text", nullable: true),
                    user_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey(
                        "pk_account_logins",
                        x => new { x.login_provider, x.provider_key }
                    );
                    table.ForeignKey(
                        name: "fk_account_logins_asp_net_users_user_id",
                        column: x => x.user_id,
                        principalTable: "accounts",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "account_tokens",
                columns: table => new
                {
                    user_id = table.Column<Guid>(type: "uuid", nullable: false),
                    login_provider = table.Column<string>(type: "text", nullable: false),
                    name = table.Column<string>(type: "text", nullable: false),
                    value = table.Column<string>(type: "text", nullable: true),
                },
                constraints: table =>
                {
                    table.PrimaryKey(
                        "pk_account_tokens",
                        x => new
                        {
                            x.user_id,
                            x.login_provider,
                            x.name,
                        }
                    );
                    table.ForeignKey(
                        name: "fk_account_tokens_asp_net_users_user_id",
                        column: x => x.user_id,
                        principalTable: "accounts",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "vehicles",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    owner_id = table.Column<Guid>(type: "uuid", nullable: false),
                    platform_id = table.Column<Guid>(type: "uuid", nullable: false),
                    make = table.Column<string>(type: "text", nullable: false),
                    name = table.Column<string>(type: "text", nullable: false),
                    plate = table.Column<string>(type: "text", nullable: true),
                    vin = table.Column<string>(type: "text", nullable: true),
                    engine = table.Column<string>(type: "text", nullable: true),
                    drive = table.Column<string>(type: "text", nullable: true),
                    body = table.Column<string>(type: "text", nullable: true),
                    suspension_option = table.Column<string>(type: "text", nullable: true),
                    kind = table.Column<string>(type: "text", nullable: false),
                    body_kind = table.Column<string>(type: "text", nullable: false),
                    dimensions = table.Column<string>(type: "jsonb", nullable: false),
                    tyre_size = table.Column<string>(type: "text", nullable: true),
                    tyre_known = table.Column<string>(type: "text", nullable: true),
                    stations = table.Column<string>(type: "jsonb", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_vehicles", x => x.id);
                    table.ForeignKey(
                        name: "fk_vehicles_owners_owner_id",
                        column: x => x.owner_id,
                        principalTable: "owners",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict
                    );
                    table.ForeignKey(
                        name: "fk_vehicles_platforms_platform_id",
                        column: x => x.platform_id,
                        principalTable: "platforms",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict
                    );
                    table.ForeignKey(
                        name: "fk_vehicles_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "jobs",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    vehicle_id = table.Column<Guid>(type: "uuid", nullable: false),
                    stage_id = table.Column<Guid>(type: "uuid", nullable: false),
                    wish = table.Column<string>(type: "text", nullable: true),
                    carries = table.Column<string>(type: "text", nullable: true),
                    loads = table.Column<string>(type: "jsonb", nullable: false),
                    troubles = table.Column<string>(type: "text", nullable: true),
                    target = table.Column<string>(type: "jsonb", nullable: false),
                    promised_on = table.Column<DateOnly>(type: "date", nullable: true),
                    odometer_in = table.Column<string>(type: "jsonb", nullable: true),
                    odometer_out = table.Column<string>(type: "jsonb", nullable: true),
                    bay = table.Column<string>(type: "text", nullable: true),
                    equipment = table.Column<string>(type: "text", nullable: false),
                    taken_in_at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    handed_over_at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: true
                    ),
                    handed_over_by = table.Column<Guid>(type: "uuid", nullable: true),
                    owner_notes = table.Column<string>(type: "text", nullable: true),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_jobs", x => x.id);
                    table.ForeignKey(
                        name: "fk_jobs_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_jobs_vehicles_vehicle_id",
                        column: x => x.vehicle_id,
                        principalTable: "vehicles",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Restrict
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "joints",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    where = table.Column<string>(type: "text", nullable: false),
                    place = table.Column<string>(type: "text", nullable: false),
                    kind = table.Column<string>(type: "text", nullable: false),
                    fasteners = table.Column<string>(type: "jsonb", nullable: false),
                    order = table.Column<string>(type: "text", nullable: true),
                    spec = table.Column<string>(type: "jsonb", nullable: true),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                    vehicle_id = table.Column<Guid>(type: "uuid", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_joints", x => x.id);
                    table.ForeignKey(
                        name: "fk_joints_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_joints_vehicles_vehicle_id",
                        column: x => x.vehicle_id,
                        principalTable: "vehicles",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "stages",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    vehicle_id = table.Column<Guid>(type: "uuid", nullable: false),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    front = table.Column<string>(type: "jsonb", nullable: false),
                    rear = table.Column<string>(type: "jsonb", nullable: false),
                    ordinal = table.Column<int>(type: "integer", nullable: false),
                    name = table.Column<string>(type: "text", nullable: false),
                    opened_at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    stacks = table.Column<string>(type: "jsonb", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_stages", x => x.id);
                    table.ForeignKey(
                        name: "fk_stages_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_stages_vehicles_vehicle_id",
                        column: x => x.vehicle_id,
                        principalTable: "vehicles",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "attachments",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    sha256 = table.Column<string>(type: "text", nullable: false),
                    media_type = table.Column<string>(type: "text", nullable: false),
                    of = table.Column<string>(type: "text", nullable: true),
                    caption = table.Column<string>(type: "text", nullable: true),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_attachments", x => x.id);
                    table.ForeignKey(
                        name: "fk_attachments_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_attachments_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "commands",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    job_id = table.Column<Guid>(type: "uuid", nullable: true),
                    kind = table.Column<string>(type: "text", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    takes_back = table.Column<Guid>(type: "uuid", nullable: true),
                    hash = table.Column<string>(type: "text", nullable: true),
                    body = table.Column<string>(type: "json", nullable: true),
                    changes = table.Column<string>(type: "jsonb", nullable: true),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_commands", x => x.id);
                    table.ForeignKey(
                        name: "fk_commands_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_commands_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "deviations",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    where = table.Column<string>(type: "text", nullable: false),
                    sheet_says = table.Column<string>(type: "text", nullable: false),
                    did = table.Column<string>(type: "text", nullable: false),
                    why = table.Column<string>(type: "text", nullable: false),
                    look_again = table.Column<string>(type: "text", nullable: true),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_deviations", x => x.id);
                    table.ForeignKey(
                        name: "fk_deviations_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_deviations_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "follow_ups",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    what = table.Column<string>(type: "text", nullable: false),
                    why = table.Column<string>(type: "text", nullable: true),
                    due_on = table.Column<DateOnly>(type: "date", nullable: true),
                    due_at = table.Column<string>(type: "jsonb", nullable: true),
                    done_at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: true
                    ),
                    done_by = table.Column<Guid>(type: "uuid", nullable: true),
                    note = table.Column<string>(type: "text", nullable: true),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_follow_ups", x => x.id);
                    table.ForeignKey(
                        name: "fk_follow_ups_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_follow_ups_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "frozen_predictions",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    plan_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    core = table.Column<string>(type: "text", nullable: false),
                    prediction = table.Column<string>(type: "jsonb", nullable: false),
                    target = table.Column<string>(type: "jsonb", nullable: false),
                    dimensions = table.Column<string>(type: "jsonb", nullable: false),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_frozen_predictions", x => x.id);
                    table.ForeignKey(
                        name: "fk_frozen_predictions_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_frozen_predictions_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "job_evidence",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    platform_id = table.Column<Guid>(type: "uuid", nullable: false),
                    trials = table.Column<string>(type: "jsonb", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_job_evidence", x => x.id);
                    table.ForeignKey(
                        name: "fk_job_evidence_jobs_id",
                        column: x => x.id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_job_evidence_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "job_summaries",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    revision = table.Column<long>(type: "bigint", nullable: false),
                    closed = table.Column<bool>(type: "boolean", nullable: false),
                    due = table.Column<DateOnly>(type: "date", nullable: false),
                    search = table.Column<string>(type: "text", nullable: false),
                    words = table.Column<NpgsqlTsVector>(
                        type: "tsvector",
                        nullable: false,
                        computedColumnSql: "to_tsvector('simple', search)",
                        stored: true
                    ),
                    facts = table.Column<string>(type: "jsonb", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_job_summaries", x => x.id);
                    table.ForeignKey(
                        name: "fk_job_summaries_jobs_id",
                        column: x => x.id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_job_summaries_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "kits",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "text", nullable: false),
                    front_claim = table.Column<string>(type: "jsonb", nullable: true),
                    rear_claim = table.Column<string>(type: "jsonb", nullable: true),
                    pieces = table.Column<string>(type: "jsonb", nullable: false),
                    override_reason = table.Column<string>(type: "text", nullable: true),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_kits", x => x.id);
                    table.ForeignKey(
                        name: "fk_kits_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_kits_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "marks",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    where = table.Column<string>(type: "text", nullable: false),
                    what = table.Column<string>(type: "text", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_marks", x => x.id);
                    table.ForeignKey(
                        name: "fk_marks_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_marks_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "off_lines",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    plan_id = table.Column<Guid>(type: "uuid", nullable: false),
                    where = table.Column<string>(type: "text", nullable: false),
                    what = table.Column<string>(type: "text", nullable: false),
                    off_by = table.Column<Guid>(type: "uuid", nullable: false),
                    off_at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    fate = table.Column<string>(type: "text", nullable: true),
                    fate_note = table.Column<string>(type: "text", nullable: true),
                    closed_by = table.Column<Guid>(type: "uuid", nullable: true),
                    closed_at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: true
                    ),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_off_lines", x => x.id);
                    table.ForeignKey(
                        name: "fk_off_lines_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_off_lines_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "orientations",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    placed_part_id = table.Column<Guid>(type: "uuid", nullable: false),
                    way = table.Column<string>(type: "text", nullable: false),
                    proved = table.Column<string>(type: "text", nullable: true),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_orientations", x => x.id);
                    table.ForeignKey(
                        name: "fk_orientations_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_orientations_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "people_on_jobs",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "text", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_people_on_jobs", x => new { x.job_id, x.id });
                    table.ForeignKey(
                        name: "fk_people_on_jobs_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_people_on_jobs_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "plans",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "text", nullable: false),
                    from_stage_id = table.Column<Guid>(type: "uuid", nullable: false),
                    to_stage_id = table.Column<Guid>(type: "uuid", nullable: true),
                    stacks = table.Column<string>(type: "jsonb", nullable: false),
                    chosen = table.Column<bool>(type: "boolean", nullable: false),
                    begun_at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: true
                    ),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_plans", x => x.id);
                    table.ForeignKey(
                        name: "fk_plans_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_plans_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "promises",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    what = table.Column<string>(type: "text", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    kept_at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: true
                    ),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_promises", x => x.id);
                    table.ForeignKey(
                        name: "fk_promises_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_promises_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "school_choices",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    school = table.Column<string>(type: "text", nullable: false),
                    choice = table.Column<string>(type: "text", nullable: false),
                    why = table.Column<string>(type: "text", nullable: true),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_school_choices", x => x.id);
                    table.ForeignKey(
                        name: "fk_school_choices_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_school_choices_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "step_entries",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    plan_id = table.Column<Guid>(type: "uuid", nullable: false),
                    step = table.Column<string>(type: "text", nullable: false),
                    minutes = table.Column<double>(type: "double precision", nullable: true),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_step_entries", x => x.id);
                    table.ForeignKey(
                        name: "fk_step_entries_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_step_entries_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "supports",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    where = table.Column<string>(type: "text", nullable: false),
                    position = table.Column<string>(type: "text", nullable: false),
                    on = table.Column<string>(type: "text", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_supports", x => x.id);
                    table.ForeignKey(
                        name: "fk_supports_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_supports_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "torque_entries",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    joint_id = table.Column<Guid>(type: "uuid", nullable: false),
                    plan_id = table.Column<Guid>(type: "uuid", nullable: false),
                    pass = table.Column<string>(type: "text", nullable: false),
                    value = table.Column<string>(type: "jsonb", nullable: true),
                    criterion_seen = table.Column<bool>(type: "boolean", nullable: false),
                    tool = table.Column<string>(type: "text", nullable: true),
                    position = table.Column<string>(type: "text", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_torque_entries", x => x.id);
                    table.ForeignKey(
                        name: "fk_torque_entries_jobs_job_id",
                        column: x => x.job_id,
                        principalTable: "jobs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_torque_entries_joints_joint_id",
                        column: x => x.joint_id,
                        principalTable: "joints",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_torque_entries_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "walk_rounds",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    stage_id = table.Column<Guid>(type: "uuid", nullable: false),
                    job_id = table.Column<Guid>(type: "uuid", nullable: false),
                    datum = table.Column<string>(type: "text", nullable: false),
                    division = table.Column<string>(type: "jsonb", nullable: false),
                    order = table.Column<string[]>(type: "text[]", nullable: false),
                    from_document = table.Column<bool>(type: "boolean", nullable: false),
                    settled = table.Column<string>(type: "text", nullable: false),
                    hub_marked = table.Column<bool>(type: "boolean", nullable: false),
                    floor_surveyed = table.Column<bool>(type: "boolean", nullable: false),
                    pads = table.Column<string>(type: "jsonb", nullable: false),
                    spot = table.Column<string>(type: "text", nullable: true),
                    fuel = table.Column<string>(type: "text", nullable: true),
                    load = table.Column<string>(type: "text", nullable: true),
                    people_in = table.Column<int>(type: "integer", nullable: true),
                    modes = table.Column<string>(type: "jsonb", nullable: false),
                    steering_straight = table.Column<bool>(type: "boolean", nullable: true),
                    tyres = table.Column<string>(type: "jsonb", nullable: false),
                    odometer = table.Column<string>(type: "jsonb", nullable: true),
                    notes = table.Column<string>(type: "text", nullable: true),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                    vehicle_id = table.Column<Guid>(type: "uuid", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_walk_rounds", x => x.id);
                    table.ForeignKey(
                        name: "fk_walk_rounds_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_walk_rounds_stages_stage_id",
                        column: x => x.stage_id,
                        principalTable: "stages",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_walk_rounds_vehicles_vehicle_id",
                        column: x => x.vehicle_id,
                        principalTable: "vehicles",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateTable(
                name: "readings",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    walk_round_id = table.Column<Guid>(type: "uuid", nullable: false),
                    kind = table.Column<string>(type: "text", nullable: false),
                    place = table.Column<string>(type: "jsonb", nullable: false),
                    measure = table.Column<string>(type: "text", nullable: true),
                    from = table.Column<string>(type: "text", nullable: true),
                    own_mark = table.Column<string>(type: "text", nullable: true),
                    value = table.Column<string>(type: "jsonb", nullable: true),
                    over = table.Column<string>(type: "jsonb", nullable: true),
                    skipped = table.Column<bool>(type: "boolean", nullable: false),
                    nudged = table.Column<bool>(type: "boolean", nullable: false),
                    answers = table.Column<string[]>(type: "text[]", nullable: false),
                    note = table.Column<string>(type: "text", nullable: true),
                    instrument = table.Column<string>(type: "text", nullable: true),
                    changed_corners = table.Column<string[]>(type: "text[]", nullable: false),
                    raised_corners = table.Column<string[]>(type: "text[]", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    taken_at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    stored_at = table.Column<DateTimeOffset>(
                        type: "timestamp with time zone",
                        nullable: false
                    ),
                    supersedes = table.Column<Guid>(type: "uuid", nullable: true),
                    reason = table.Column<string>(type: "text", nullable: true),
                    shop_id = table.Column<Guid>(type: "uuid", nullable: false),
                    vehicle_id = table.Column<Guid>(type: "uuid", nullable: false),
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_readings", x => x.id);
                    table.ForeignKey(
                        name: "fk_readings_shops_shop_id",
                        column: x => x.shop_id,
                        principalTable: "shops",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_readings_vehicles_vehicle_id",
                        column: x => x.vehicle_id,
                        principalTable: "vehicles",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                    table.ForeignKey(
                        name: "fk_readings_walk_rounds_walk_round_id",
                        column: x => x.walk_round_id,
                        principalTable: "walk_rounds",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade
                    );
                }
            );

            migrationBuilder.CreateIndex(
                name: "ix_account_claims_user_id",
                table: "account_claims",
                column: "user_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_account_logins_user_id",
                table: "account_logins",
                column: "user_id"
            );

            migrationBuilder.CreateIndex(
                name: "EmailIndex",
                table: "accounts",
                column: "normalized_email"
            );

            migrationBuilder.CreateIndex(
                name: "UserNameIndex",
                table: "accounts",
                column: "normalized_user_name",
                unique: true
            );

            migrationBuilder.CreateIndex(
                name: "ix_accounts_shop_id",
                table: "accounts",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_attachments_job_id",
                table: "attachments",
                column: "job_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_attachments_shop_id",
                table: "attachments",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_commands_job_id",
                table: "commands",
                column: "job_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_commands_shop_id",
                table: "commands",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_commands_takes_back",
                table: "commands",
                column: "takes_back"
            );

            migrationBuilder.CreateIndex(
                name: "ix_deviations_job_id",
                table: "deviations",
                column: "job_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_deviations_shop_id",
                table: "deviations",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_follow_ups_job_id",
                table: "follow_ups",
                column: "job_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_follow_ups_shop_id",
                table: "follow_ups",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_frozen_predictions_job_id",
                table: "frozen_predictions",
                column: "job_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_frozen_predictions_plan_id",
                table: "frozen_predictions",
                column: "plan_id",
                unique: true
            );

            migrationBuilder.CreateIndex(
                name: "ix_frozen_predictions_shop_id",
                table: "frozen_predictions",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_job_evidence_platform_id",
                table: "job_evidence",
                column: "platform_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_job_evidence_shop_id",
                table: "job_evidence",
                column: "shop_id"
            );

            migrationBuilder
                .CreateIndex(
                    name: "ix_job_summaries_search",
                    table: "job_summaries",
                    column: "search"
                )
                .Annotation("Npgsql:IndexMethod", "gin")
                .Annotation("Npgsql:IndexOperators", new[] { "gin_trgm_ops" });

            migrationBuilder.CreateIndex(
                name: "ix_job_summaries_shop_id_closed_due_id",
                table: "job_summaries",
                columns: new[] { "shop_id", "closed", "due", "id" }
            );

            migrationBuilder
                .CreateIndex(
                    name: "ix_job_summaries_words",
                    table: "job_summaries",
                    column: "words"
                )
                .Annotation("Npgsql:IndexMethod", "gin");

            migrationBuilder.CreateIndex(name: "ix_jobs_shop_id", table: "jobs", column: "shop_id");

            migrationBuilder.CreateIndex(
                name: "ix_jobs_vehicle_id",
                table: "jobs",
                column: "vehicle_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_joints_shop_id",
                table: "joints",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_joints_vehicle_id",
                table: "joints",
                column: "vehicle_id"
            );

            migrationBuilder.CreateIndex(name: "ix_kits_job_id", table: "kits", column: "job_id");

            migrationBuilder.CreateIndex(name: "ix_kits_shop_id", table: "kits", column: "shop_id");

            migrationBuilder.CreateIndex(name: "ix_marks_job_id", table: "marks", column: "job_id");

            migrationBuilder.CreateIndex(
                name: "ix_marks_shop_id",
                table: "marks",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_off_lines_job_id",
                table: "off_lines",
                column: "job_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_off_lines_shop_id",
                table: "off_lines",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_orientations_job_id",
                table: "orientations",
                column: "job_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_orientations_shop_id",
                table: "orientations",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_owners_shop_id",
                table: "owners",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_parts_shop_id",
                table: "parts",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_people_on_jobs_shop_id",
                table: "people_on_jobs",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(name: "ix_plans_job_id", table: "plans", column: "job_id");

            migrationBuilder.CreateIndex(
                name: "ix_plans_shop_id",
                table: "plans",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_platforms_shop_id_name",
                table: "platforms",
                columns: new[] { "shop_id", "name" },
                unique: true
            );

            migrationBuilder.CreateIndex(
                name: "ix_promises_job_id",
                table: "promises",
                column: "job_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_promises_shop_id",
                table: "promises",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_readings_shop_id",
                table: "readings",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_readings_vehicle_id",
                table: "readings",
                column: "vehicle_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_readings_walk_round_id",
                table: "readings",
                column: "walk_round_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_school_choices_job_id",
                table: "school_choices",
                column: "job_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_school_choices_shop_id",
                table: "school_choices",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_stages_job_id",
                table: "stages",
                column: "job_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_stages_shop_id",
                table: "stages",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_stages_vehicle_id_ordinal",
                table: "stages",
                columns: new[] { "vehicle_id", "ordinal" },
                unique: true
            );

            migrationBuilder.CreateIndex(
                name: "ix_step_entries_job_id",
                table: "step_entries",
                column: "job_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_step_entries_plan_id_step",
                table: "step_entries",
                columns: new[] { "plan_id", "step" },
                unique: true
            );

            migrationBuilder.CreateIndex(
                name: "ix_step_entries_shop_id",
                table: "step_entries",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_supports_job_id",
                table: "supports",
                column: "job_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_supports_shop_id",
                table: "supports",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_torque_entries_job_id",
                table: "torque_entries",
                column: "job_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_torque_entries_joint_id",
                table: "torque_entries",
                column: "joint_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_torque_entries_shop_id",
                table: "torque_entries",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_vehicles_owner_id",
                table: "vehicles",
                column: "owner_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_vehicles_platform_id",
                table: "vehicles",
                column: "platform_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_vehicles_shop_id",
                table: "vehicles",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_walk_rounds_job_id",
                table: "walk_rounds",
                column: "job_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_walk_rounds_shop_id",
                table: "walk_rounds",
                column: "shop_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_walk_rounds_stage_id",
                table: "walk_rounds",
                column: "stage_id"
            );

            migrationBuilder.CreateIndex(
                name: "ix_walk_rounds_vehicle_id",
                table: "walk_rounds",
                column: "vehicle_id"
            );

            // Whoever looks at a job hears of each change, from whichever server it came.
            migrationBuilder.Sql(
                """
                CREATE FUNCTION tell_of_command() RETURNS trigger LANGUAGE plpgsql AS $$
                BEGIN
                    PERFORM pg_notify('nokko', json_build_object(
                        'job', NEW.job_id, 'kind', 'stored', 'command', NEW.id)::text);
                    RETURN NULL;
                END $$;
                CREATE TRIGGER tell_of_command AFTER INSERT ON commands
                    FOR EACH ROW WHEN (NEW.job_id IS NOT NULL) EXECUTE FUNCTION tell_of_command();
                """
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql(
                "DROP TRIGGER tell_of_command ON commands; DROP FUNCTION tell_of_command();"
            );

            migrationBuilder.DropTable(name: "account_claims");

            migrationBuilder.DropTable(name: "account_logins");

            migrationBuilder.DropTable(name: "account_tokens");

            migrationBuilder.DropTable(name: "attachments");

            migrationBuilder.DropTable(name: "commands");

            migrationBuilder.DropTable(name: "data_protection_keys");

            migrationBuilder.DropTable(name: "deviations");

            migrationBuilder.DropTable(name: "files");

            migrationBuilder.DropTable(name: "follow_ups");

            migrationBuilder.DropTable(name: "frozen_predictions");

            migrationBuilder.DropTable(name: "job_evidence");

            migrationBuilder.DropTable(name: "job_summaries");

            migrationBuilder.DropTable(name: "kits");

            migrationBuilder.DropTable(name: "marks");

            migrationBuilder.DropTable(name: "off_lines");

            migrationBuilder.DropTable(name: "orientations");

            migrationBuilder.DropTable(name: "parts");

            migrationBuilder.DropTable(name: "people_on_jobs");

            migrationBuilder.DropTable(name: "plans");

            migrationBuilder.DropTable(name: "promises");

            migrationBuilder.DropTable(name: "readings");

            migrationBuilder.DropTable(name: "school_choices");

            migrationBuilder.DropTable(name: "step_entries");

            migrationBuilder.DropTable(name: "supports");

            migrationBuilder.DropTable(name: "torque_entries");

            migrationBuilder.DropTable(name: "accounts");

            migrationBuilder.DropTable(name: "walk_rounds");

            migrationBuilder.DropTable(name: "jobs");

            migrationBuilder.DropTable(name: "joints");

            migrationBuilder.DropTable(name: "stages");

            migrationBuilder.DropTable(name: "vehicles");

            migrationBuilder.DropTable(name: "owners");

            migrationBuilder.DropTable(name: "platforms");

            migrationBuilder.DropTable(name: "shops");
        }
    }
}
