using Cumbre.Server.Accounts;
using Cumbre.Server.Athletes;
using Cumbre.Server.Audit;
using Cumbre.Server.Benchmarks;
using Cumbre.Server.Decisions;
using Cumbre.Server.Demo;
using Cumbre.Server.Exchange;
using Cumbre.Server.Figures;
using Cumbre.Server.Hosting;
using Cumbre.Server.Ladders;
using Cumbre.Server.Lines;
using Cumbre.Server.Loading;
using Cumbre.Server.Privacy;
using Cumbre.Server.Programmes;
using Cumbre.Server.Running;
using Cumbre.Server.Sessions;
using Cumbre.Server.Standings;
using Cumbre.Server.Traces;
using Cumbre.Server.Upkeep;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Backups;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.HttpOverrides;
using Microsoft.AspNetCore.Identity;

namespace Cumbre.Server;

/// <summary>The whole server, put together: of the club, and beside it of the sample club.</summary>
internal static class ServerApp
{
    /// <param name="args">Of the command line.</param>
    /// <param name="writesDocument">The API document is written: no file is touched.</param>
    /// <exception cref="SettingException">A setting cannot be read.</exception>
    public static WebApplication Build(string[] args, bool writesDocument)
    {
        // Settings and the built interface lie beside the program, wherever it is started from.
        var builder = WebApplication.CreateBuilder(
            new WebApplicationOptions
            {
                Args = args,
                // Also where another program than the server's own starts it.
                ApplicationName = typeof(ServerApp).Assembly.GetName().Name,
                ContentRootPath = AppContext.BaseDirectory,
            }
        );
        builder.Configuration.AddCommandLine(args, CumbreOptions.Switches);
        builder.WebHost.UseStaticWebAssets();
        builder.WebHost.ConfigureKestrel(kestrel =>
        {
            kestrel.Limits.MaxRequestBodySize = 1024 * 1024;
            kestrel.AddServerHeader = false;
        });
        var options = CumbreOptions.From(builder.Configuration);
        var data = writesDocument ? Path.Combine(Path.GetTempPath(), "cumbre-document") : options.Data;
        var services = builder.Services;
        ServerLog.Add(services, options.Log);
        services.AddSingleton(options);
        services.AddSingleton(TimeProvider.System);
        services.AddSingleton<FigureCache>();
        services.AddSingleton(_ => new ClubFolder(data));
        services.AddSingleton(_ => new Database(data));
        services.AddSingleton(_ => new ClubFiles(data, options.Backups));
        services.AddSingleton<ClubClock>();
        services.AddSingleton<BackupKeeper>();
        services.AddSingleton(s => new Restart(s.GetRequiredService<IHostApplicationLifetime>()));
        services.AddSingleton<SampleClub>();
        services.AddSingleton<Reconciler>();
        services.AddSingleton<Climbers>();
        services.AddSingleton<StandingKeeper>();
        if (!writesDocument)
            services.AddHostedService(s => s.GetRequiredService<StandingKeeper>());
        // A club that trains is offered no device that is not there.
        if (options.Demo)
        {
            services.AddSingleton<IForceGauge, SimulatedForceGauge>();
            services.AddSingleton<ILineCamera, SimulatedLineCamera>();
            services.AddSingleton<ITraceRecorder, SimulatedTraceRecorder>();
        }

        services.AddSingleton<IPasswordHasher<AccountRow>, PasswordHasher<AccountRow>>();
        // PBKDF2 with HMAC-SHA512; rounds by the OWASP Password Storage Cheat Sheet (from memory).
        services.Configure<PasswordHasherOptions>(hash => hash.IterationCount = 210_000);
        services.AddSingleton<SetupCode>();
        services.AddSingleton<Throttle>();
        services.AddSingleton<SecondFactor>();
        services.AddSingleton<OwnPassword>();
        services.AddSingleton<Erasing>();
        services.AddSingleton<ClockWatch>();
        services.AddSingleton<Links>();
        services.AddSingleton<PackSeal>();
        services.AddSingleton<LiveFeed>();
        services.AddSingleton<ImportFiles>();
        if (!writesDocument)
        {
            services.AddHostedService<Housekeeping>();
            services.AddHostedService(s => s.GetRequiredService<BackupKeeper>());
        }

        services.AddProblemDetails(problems =>
            problems.CustomizeProblemDetails = context =>
            {
                // The framework answers this one before any handler sees it.
                if (context.ProblemDetails.Status == 413)
                    context.ProblemDetails.Extensions["message"] = Words.TooLarge;
            }
        );
        services.AddExceptionHandler<ProblemHandler>();
        services.AddOpenApi(document =>
            document
                .AddSchemaTransformer((schema, of, _) => WireJson.DescribeDays(schema, of))
                .AddSchemaTransformer((schema, of, _) => WireJson.DescribeEnums(schema, of))
        );
        Delivery.AddCompression(services);
        services.ConfigureHttpJsonOptions(json => WireJson.ConfigureRequests(json.SerializerOptions));
        services.Configure<RouteHandlerOptions>(routes => routes.ThrowOnBadRequest = true);
        services.Configure<ForwardedHeadersOptions>(forwarded =>
        {
            forwarded.ForwardedHeaders = ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto;
            forwarded.KnownProxies.Clear();
            forwarded.KnownIPNetworks.Clear();
            foreach (var proxy in options.Proxies)
                forwarded.KnownIPNetworks.Add(proxy);
        });
        services.AddAntiforgery(csrf =>
        {
            csrf.HeaderName = Security.CsrfHeader;
            csrf.Cookie.Name = options.CookieName + "-csrf";
            csrf.Cookie.SameSite = SameSiteMode.Strict;
            csrf.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
        });
        if (!writesDocument)
            services
                .AddDataProtection()
                .SetApplicationName("Cumbre")
                .PersistKeysToFileSystem(ClubFolder.Make(Path.Combine(ClubFolder.Make(data).FullName, "keys")));
        services
            .AddAuthentication(CookieAuthenticationDefaults.AuthenticationScheme)
            .AddCookie(cookie =>
            {
                cookie.Cookie.Name = options.CookieName;
                cookie.Cookie.HttpOnly = true;
                cookie.Cookie.SameSite = SameSiteMode.Strict;
                cookie.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
                cookie.ExpireTimeSpan = SignInLimits.Kept.Whole;
                // How long a sign-in lasts is kept with it on the server.
                cookie.SlidingExpiration = false;
                // An API answers with a status, never with a redirect to a page.
                cookie.Events.OnRedirectToLogin = context =>
                    Results.Problem(Problems.Of(401, Words.SignInFirst)).ExecuteAsync(context.HttpContext);
                cookie.Events.OnRedirectToAccessDenied = context =>
                {
                    context
                        .HttpContext.RequestServices.GetRequiredService<ILogger<MayHandler>>()
                        .LogWarning(
                            "Refused {Method} {Route} to account {Account}",
                            context.Request.Method,
                            ServerLog.RouteOf(context.HttpContext),
                            Policies.IdOf(context.HttpContext.User)
                        );
                    return Results.Problem(Problems.Of(403, Words.NotAllowed)).ExecuteAsync(context.HttpContext);
                };
            });
        services
            .AddOptions<CookieAuthenticationOptions>(CookieAuthenticationDefaults.AuthenticationScheme)
            .Configure<Database, TimeProvider, ClubClock>(
                (cookie, database, time, clock) => cookie.SessionStore = new SignInTickets(database, time, clock)
            );
        services.AddAuthorization(Policies.Add);
        services.AddHttpContextAccessor();
        services.AddScoped(Policies.ReachOf);
        services.AddSingleton<IAuthorizationHandler, MayHandler>();

        var app = builder.Build();
        if (options.Proxies.Count > 0)
            app.UseForwardedHeaders();
        app.UseRequestLog(options.Log);
        app.UseExceptionHandler();
        app.UseStatusCodePages();
        app.UseSecurityHeaders();
        app.UsePackedAnswers();
        app.UseKeptAssets();
        app.UseAuthentication();
        app.UseAuthorization();
        app.UseCsrf();
        app.UseConsent();
        if (!writesDocument)
        {
            _ = app.Services.GetRequiredService<ClubFolder>();
            var database = app.Services.GetRequiredService<Database>();
            app.Services.GetRequiredService<ClubFiles>()
                .Open(
                    database,
                    app.Services.GetRequiredService<TimeProvider>().GetUtcNow(),
                    line => app.Logger.LogDebug("{Line}", line),
                    line => app.Logger.LogWarning("{Line}", line)
                );
            database.Consequences = app.Services.GetRequiredService<StandingKeeper>();
            if (options.Demo)
                DemoSeeder.Seed(
                    database,
                    app.Services.GetRequiredService<ClubClock>(),
                    app.Services.GetRequiredService<Reconciler>(),
                    options.Grown
                );
        }

        var api = app.MapGroup("/api");
        api.MapAccounts();
        api.MapSecondFactor();
        api.MapPeople();
        api.MapPrivacy();
        api.MapAudit();
        api.MapBackups();
        api.MapClubSettings();
        api.MapClubArchive();
        api.MapAthletes();
        api.MapBenchmarks();
        api.MapTestDays();
        api.MapKit();
        api.MapSchools();
        api.MapLadders();
        api.MapFigures();
        api.MapLineMeter();
        api.MapTraces();
        api.MapSessions();
        api.MapRunning();
        api.MapDecisions();
        api.MapProgrammes();
        api.MapExchange();
        api.MapSampleClub();
        api.Map("/{**rest}", NoAddress.Handle).AllowAnonymous().ExcludeFromDescription();
        app.MapGet("/health", (Database database) =>
            {
                database.Probe();
                return TypedResults.Ok(new { status = "ok" });
            })
            .AllowAnonymous()
            .ExcludeFromDescription();
        app.MapStaticAssets().AllowAnonymous();
        app.MapPage();
        app.Lifetime.ApplicationStarted.Register(() => Announce(app));
        return app;
    }

    /// <summary>Tells whoever started the server where it is, and how an empty club gets its owner.</summary>
    private static void Announce(WebApplication app)
    {
        app.Logger.LogInformation("Cumbre is ready at {Addresses}", string.Join(" ", app.Urls));
        if (app.Services.GetRequiredService<Database>().Read(AccountStore.Club) is null)
            app.Logger.LogInformation(
                "Nobody owns this club yet. Its setup code is {Code}",
                app.Services.GetRequiredService<SetupCode>().Text
            );
    }
}
