using System.Security.Cryptography;
using HourGrid.StandIns.Campus;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.IdentityModel.Tokens;
using OpenIddict.Abstractions;

namespace HourGrid.StandIns.SignIn;

/// <summary>The campus sign-in: OpenID Connect, authorization code with PKCE, one client.</summary>
internal static class SignInSetup
{
    public const string RoleClaim = "role";

    private const int EncryptionKeyBytes = 32;

    /// <param name="folder">Where the data are; it exists.</param>
    public static void AddSignIn(this IServiceCollection services, string folder)
    {
        services
            .AddAuthentication(CookieAuthenticationDefaults.AuthenticationScheme)
            .AddCookie(cookie =>
            {
                cookie.Cookie.Name = "campus-sign-in";
                cookie.LoginPath = "/sign-in";
                cookie.ExpireTimeSpan = TimeSpan.FromHours(8);
            });
        services
            .AddOpenIddict()
            .AddCore(core => core.UseEntityFrameworkCore().UseDbContext<CampusContext>())
            .AddServer(server =>
            {
                server
                    .SetAuthorizationEndpointUris("connect/authorize")
                    .SetTokenEndpointUris("connect/token")
                    .SetUserInfoEndpointUris("connect/userinfo")
                    .SetEndSessionEndpointUris("connect/end-session")
                    .AllowAuthorizationCodeFlow()
                    .RequireProofKeyForCodeExchange()
                    .RegisterScopes(OpenIddictConstants.Scopes.Profile, OpenIddictConstants.Scopes.Email)
                    .RegisterClaims(OpenIddictConstants.Claims.Name, OpenIddictConstants.Claims.Email, RoleClaim)
                    .AddSigningKey(SigningKey.ReadOrMake(folder))
                    // What is encrypted is read here alone, within the minute; random bytes are had at once, where the pair of
                    // keys that would be made otherwise takes seconds of every start.
                    .AddEncryptionKey(new SymmetricSecurityKey(RandomNumberGenerator.GetBytes(EncryptionKeyBytes)))
                    .UseAspNetCore()
                    .EnableAuthorizationEndpointPassthrough()
                    .EnableEndSessionEndpointPassthrough()
                    // A stand-in on the same machine; a campus has TLS.
                    .DisableTransportSecurityRequirement();
            });
    }

    /// <summary>Makes Hour Grid known, at the address where it is now.</summary>
    public static async Task RegisterClientAsync(
        IServiceProvider services,
        IConfiguration configuration,
        CancellationToken cancellation
    )
    {
        var applications = services.GetRequiredService<IOpenIddictApplicationManager>();
        var address = new Uri(Setting("HourGridAddress"));
        var client = new OpenIddictApplicationDescriptor
        {
            ClientId = "hour-grid",
            ClientSecret = Setting("HourGridSecret"),
            // Said, since an application that is known already is not told it by its secret.
            ClientType = OpenIddictConstants.ClientTypes.Confidential,
            DisplayName = "Hour Grid",
            ConsentType = OpenIddictConstants.ConsentTypes.Implicit,
            RedirectUris = { new Uri(address, "signin-oidc") },
            PostLogoutRedirectUris = { new Uri(address, "signout-callback-oidc") },
            Permissions =
            {
                OpenIddictConstants.Permissions.Endpoints.Authorization,
                OpenIddictConstants.Permissions.Endpoints.Token,
                OpenIddictConstants.Permissions.Endpoints.EndSession,
                OpenIddictConstants.Permissions.GrantTypes.AuthorizationCode,
                OpenIddictConstants.Permissions.ResponseTypes.Code,
                OpenIddictConstants.Permissions.Scopes.Profile,
                OpenIddictConstants.Permissions.Scopes.Email,
            },
            Requirements = { OpenIddictConstants.Requirements.Features.ProofKeyForCodeExchange },
        };
        if (await applications.FindByClientIdAsync(client.ClientId, cancellation) is { } known)
            await applications.UpdateAsync(known, client, cancellation);
        else
            await applications.CreateAsync(client, cancellation);

        string Setting(string name) =>
            configuration[name] ?? throw new InvalidOperationException($"The setting {name} is missing.");
    }
}
