<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\ActRequest;
use App\Http\Requests\ChangeRequest;
use App\Http\Requests\EditRequest;
use App\Http\Resources\ActsResource;
use App\Http\Resources\ChangedStateResource;
use App\Models\ShopJob;
use App\Prep\Acts;
use App\Prep\History;
use App\Prep\Proposal;
use App\Prep\SentEdits;
use App\Prep\ShopFonts;
use App\Prep\TouchUps;
use NeatEdge\Core\Edit\Adding;
use NeatEdge\Core\Line\Edits;

/** Changes of the art. */
final class EditController
{
    /** Makes an edit: the answer has of the art only what is otherwise then. */
    #[Answers(ChangedStateResource::class)]
    public function store(EditRequest $request, ShopJob $job): ChangedStateResource
    {
        $asker = $request->asker();
        $fields = (array) $request->input('edit');
        $fonts = ShopFonts::shelf();
        if ($asker->touchUp !== null) {
            return new ChangedStateResource(History::change(
                $job,
                $asker,
                static fn (ShopJob $job): Proposal => TouchUps::proposal($job, $asker->touchUp, $fields, SentEdits::make($fields, $job, $fonts), $fonts),
            ));
        }

        return new ChangedStateResource(History::change($job, $asker, static function (ShopJob $job) use ($fields, $fonts): Proposal {
            $edit = SentEdits::make($fields, $job, $fonts);
            $before = $job->art();
            $after = Edits::applied($edit, $before, $fonts);

            return $edit instanceof Adding && $job->isPart()
                ? Proposal::above($edit->label(), $before, $after, $job->order()) : Proposal::state($edit->label(), $before, $after);
        }, SentEdits::read($fields, $job)));
    }

    /** What was done, the newest first, and what was taken back and can be done again. */
    #[Answers(ActsResource::class)]
    public function acts(ShopJob $job): ActsResource
    {
        return new ActsResource(Acts::of($job));
    }

    /** To the state after one of them, as so many undos or redos would lead there. */
    #[Answers(ChangedStateResource::class)]
    public function goTo(ActRequest $request, ShopJob $job): ChangedStateResource
    {
        $number = $request->integer('number');

        return new ChangedStateResource(History::change(
            $job,
            $request->asker(),
            static fn (ShopJob $job): Proposal => Acts::proposal($job, $number),
            ShopJob::part($job->id, []),
        ));
    }

    /** Back to the state before. */
    #[Answers(ChangedStateResource::class)]
    public function undo(ChangeRequest $request, ShopJob $job): ChangedStateResource
    {
        return new ChangedStateResource(History::change($job, $request->asker(), static function (ShopJob $job): Proposal {
            $current = $job->current();

            return $current->parent === null ? Proposal::nothing() : Proposal::inForce($current->parent, $current->back(), $current->beside('back'));
        }, ShopJob::part($job->id, [])));
    }

    /** Forward again to the state that was left last. */
    #[Answers(ChangedStateResource::class)]
    public function redo(ChangeRequest $request, ShopJob $job): ChangedStateResource
    {
        return new ChangedStateResource(History::change($job, $request->asker(), static function (ShopJob $job): Proposal {
            $child = $job->revisions()->where('parent', $job->revision)->orderByDesc('number')->first();

            return $child === null ? Proposal::nothing() : Proposal::inForce($child->number, $child->ahead(), $child->beside('ahead'));
        }, ShopJob::part($job->id, [])));
    }
}
