namespace Cumbre.Server.Accounts;

public static class AccountEndpoints
{
    public static void MapAccounts(this IEndpointRouteBuilder api)
    {
        api.MapGet("/me", Me.Handle).AllowAnonymous();
        api.MapPut("/me/unit", SetUnit.Handle).RequireAuthorization(Policies.SignedIn);
        api.MapPut("/me/habits", SetHabits.Handle).RequireAuthorization(Policies.SignedIn);
        api.MapPut("/me/password", ChangePassword.Handle).RequireAuthorization(Policies.SignedIn);
        api.MapGet("/me/devices", Devices.List).RequireAuthorization(Policies.SignedIn);
        api.MapDelete("/me/devices/{id:guid}", Devices.End).RequireAuthorization(Policies.SignedIn);
        api.MapDelete("/me/devices", Devices.EndOthers).RequireAuthorization(Policies.SignedIn);
        api.MapGet("/me/events", Devices.Events).RequireAuthorization(Policies.SignedIn);
        api.MapGet("/first-hour", FirstHour.Handle).RequireAuthorization(Policies.Coach);
        api.MapPost("/owner", CreateOwner.Handle).AllowAnonymous();
        api.MapPost("/sign-in", SignIn.Handle).AllowAnonymous();
        api.MapPost("/demo-sign-in", DemoSignIn.Handle).AllowAnonymous();
        api.MapPost("/sign-out", (Delegate)SignOut.Handle).RequireAuthorization(Policies.SignedIn);
    }
}
