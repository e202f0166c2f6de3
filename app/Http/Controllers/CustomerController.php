<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\CustomerRequest;
use App\Http\Requests\FindCustomersRequest;
use App\Http\Requests\ImportCustomersRequest;
use App\Http\Requests\MergeRequest;
use App\Http\Requests\NewCustomerRequest;
use App\Http\Requests\TodayRequest;
use App\Http\Resources\CustomerPageResource;
use App\Http\Resources\CustomerResource;
use App\Http\Resources\CustomersTakenResource;
use App\Http\Resources\WorkListResource;
use App\Models\Customer;
use App\Prep\Customers;
use App\Prep\WorkList;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use NeatEdge\Core\Described\Refused;

/** Who jobs are made for, and what is to be done when. */
final class CustomerController
{
    private const PAGE = 60;

    /** Those that somebody looks for, by name. */
    #[Answers(CustomerPageResource::class)]
    public function index(FindCustomersRequest $request): CustomerPageResource
    {
        $key = Customer::key((string) $request->validated('search'));
        $found = Customer::query()->when($key !== '', static fn ($all) => $all->whereLike('key', '%'.addcslashes($key, '%_\\').'%'));

        return new CustomerPageResource([
            'found' => $found->clone()->count(),
            'page' => $page = (int) ($request->validated('page') ?? 1),
            'customers' => $found->withCount('jobs')->orderBy('key')->forPage($page, self::PAGE)->get()->all(),
        ]);
    }

    /** One, with their jobs and colours. */
    #[Answers(CustomerResource::class)]
    public function show(Customer $customer): CustomerResource
    {
        return new CustomerResource($customer);
    }

    /** Somebody new. */
    #[Answers(CustomerResource::class, 201)]
    public function store(NewCustomerRequest $request): CustomerResource
    {
        if (Customer::query()->where('key', Customer::key((string) $request->validated('name')))->exists()) {
            throw Refused::because('There is a customer of that name.');
        }

        return (new CustomerResource(Customer::query()->create(array_map(strval(...), $request->validated()))))->status(201);
    }

    /** What is known of them; another name stands on their tickets too. */
    #[Answers(CustomerResource::class)]
    public function update(CustomerRequest $request, Customer $customer): CustomerResource
    {
        return new CustomerResource(Customers::change($customer, array_map(strval(...), $request->validated())));
    }

    /** Two are one: this one's jobs are the other's. */
    #[Answers(CustomerResource::class)]
    public function merge(MergeRequest $request, Customer $customer): CustomerResource
    {
        $into = Customer::query()->find((int) $request->validated('into')) ?? throw Refused::because('That customer is not here any more.');

        return new CustomerResource(Customers::merge($customer, $into));
    }

    /** All that the shop keeps of them, to hand it out. */
    #[Answers(type: 'application/json')]
    public function data(Customer $customer): JsonResponse
    {
        $headers = ['Content-Disposition' => "attachment; filename=\"customer-{$customer->id}.json\""];

        return new JsonResponse(Customers::told($customer), 200, $headers, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE);
    }

    /** Forgets them: their jobs stay, as those of nobody. */
    #[Answers(status: 204)]
    public function destroy(Customer $customer): Response
    {
        Customers::forget($customer);

        return response()->noContent();
    }

    /** All of them as a table. */
    #[Answers(type: 'text/csv')]
    public function csv(): Response
    {
        return new Response(Customers::csv(), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="customers.csv"',
        ]);
    }

    /** A table comes in: those that are new are kept, of those that are known what was not known. */
    #[Answers(CustomersTakenResource::class)]
    public function import(ImportCustomersRequest $request): CustomersTakenResource
    {
        return new CustomersTakenResource(Customers::take((string) $request->sent()->get()));
    }

    /** What is due, by day and machine, and whom it waits for. */
    #[Answers(WorkListResource::class)]
    public function today(TodayRequest $request): WorkListResource
    {
        return new WorkListResource(['jobs' => WorkList::of((string) ($request->validated('day') ?? now()->toDateString()))]);
    }
}
