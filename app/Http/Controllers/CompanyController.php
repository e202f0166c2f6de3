<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\HereRequest;
use App\Http\Resources\CompanyResource;
use App\Models\Person;
use App\Models\ShopJob;
use App\People\Company;
use Illuminate\Http\Response;

/** Who else is on a bench. */
final class CompanyController
{
    /** This page is here, with these pieces chosen; who else is, and the state that the job is in. */
    #[Answers(CompanyResource::class)]
    public function here(HereRequest $request, ShopJob $job): CompanyResource
    {
        $person = Person::asking();

        return new CompanyResource([
            'version' => $job->version,
            'others' => $person !== null
                ? Company::here($job, $person, self::page($request, $person), array_values((array) $request->validated('held'))) : [],
        ]);
    }

    /** This page is left. */
    #[Answers(status: 204)]
    public function gone(HereRequest $request, ShopJob $job): Response
    {
        $person = Person::asking();
        $person !== null ? Company::gone($job, $person, self::page($request, $person)) : null;

        return response()->noContent();
    }

    /** What a page calls itself, of this person: whoever calls theirs by the name of another's takes nobody's place. */
    private static function page(HereRequest $request, Person $person): string
    {
        return mb_substr("{$person->id} {$request->page()}", 0, 40);
    }
}
