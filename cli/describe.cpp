#include "describe.h"

namespace irenic {

namespace {

// Hyphens that are typed, backslashes and what would be a request at a line's beginning.
std::string escaped(const std::string& text) {
    std::string out;
    for (const char c : text) {
        if (c == '-')
            out += "\\-";
        else if (c == '\\')
            out += "\\e";
        else if (c == '\n')
            out += "\n.br\n";
        else if (c == '.' && (out.empty() || out.back() == '\n'))
            out += "\\&.";
        else
            out += c;
    }
    return out;
}

// A name as it is typed, and what follows it.
std::string formOf(const CLI::Option& option) {
    const std::string name = option.get_positional() ? option.get_name(true) : option.get_name(false, true);
    return "\\fB" + escaped(name) + "\\fR";
}

std::string optionsOf(const CLI::App& command) {
    std::string out;
    for (const CLI::Option* option : command.get_options()) {
        std::string said = option->get_description();
        if (said.empty() && option->get_name() == "--json") said = "Write JSON";
        out += ".TP\n" + formOf(*option);
        if (option->get_type_size() != 0 && !option->get_positional())
            out += " \\fI" + escaped(option->get_type_name().empty() ? "VALUE" : option->get_type_name()) +
                   "\\fR";
        if (option->get_positional() && option->get_expected_max() > 1) out += " ...";
        out += "\n" + (said.empty() ? "" : escaped(said) + ".") + "\n";
    }
    return out;
}

// Commands that are shown, in the order in which they were made.
std::vector<const CLI::App*> commandsOf(const CLI::App& app) {
    return app.get_subcommands([](const CLI::App* one) { return !one->get_name().empty(); });
}

void addCommands(const CLI::App& app, const std::string& before, std::string& out) {
    for (const CLI::App* command : commandsOf(app)) {
        const std::string name = before + command->get_name();
        out +=
            ".SS " + escaped(name) + "\n" + escaped(command->get_description()) + ".\n" + optionsOf(*command);
        addCommands(*command, name + " ", out);
    }
}

// The case of one command: what may follow its name.
void addCase(const CLI::App& app, const std::string& name, std::string& out) {
    std::string words;
    for (const CLI::App* command : commandsOf(app)) words += command->get_name() + " ";
    for (const CLI::Option* option : app.get_options())
        for (const std::string& one : option->get_lnames()) words += "--" + one + " ";
    out += "        \"" + name + "\") words=\"" + words + "\" ;;\n";
    for (const CLI::App* command : commandsOf(app))
        addCase(*command, name.empty() ? command->get_name() : name + " " + command->get_name(), out);
}

} // namespace

std::string manPageOf(const CLI::App& app, const std::string& version) {
    std::string out = ".TH IRENIC\\-CLI 1 \"\" \"irenic " + version + "\" \"User Commands\"\n";
    out += ".SH NAME\nirenic\\-cli \\- reduce the noise of raw photos on the command line\n";
    out += ".SH SYNOPSIS\n.B irenic\\-cli\n.I command\n.RI [ option ...]\n.RI [ file ...]\n";
    out += ".SH DESCRIPTION\nMeasures the noise of raw photographs, cleans them by several methods, and "
           "writes DNG, "
           "TIFF, JPEG, PNG or JPEG XL. Originals are never changed.\n";
    out += ".SH COMMANDS\n";
    addCommands(app, "", out);
    out += ".SH OPTIONS\n" + optionsOf(app);
    out += ".SH EXIT STATUS\n0: all was done. 1: a file failed; the others were done. 2: the command was "
           "wrong.\n";
    out += ".SH SEE ALSO\n.BR irenic (1)\n";
    return out;
}

std::string completionOf(const CLI::App& app) {
    std::string cases;
    addCase(app, "", cases);
    return "# bash completion for irenic-cli; made by irenic-cli itself.\n"
           "_irenic_cli() {\n"
           "    local word=\"${COMP_WORDS[COMP_CWORD]}\" command=\"${COMP_WORDS[1]}\" words=\"\" i\n"
           "    [ \"$COMP_CWORD\" -gt 1 ] || command=\"\"\n"
           "    # A command may have commands of its own.\n"
           "    if [ \"$COMP_CWORD\" -gt 2 ] && [ \"$command\" = queue ]; then command=\"queue "
           "${COMP_WORDS[2]}\"; fi\n"
           "    case \"$command\" in\n" +
           cases +
           "    esac\n"
           "    COMPREPLY=()\n"
           "    if [ \"$COMP_CWORD\" -eq 1 ] || [ \"$command\" = queue ] || [[ \"$word\" == -* ]]; then\n"
           "        for i in $words; do [[ \"$i\" == \"$word\"* ]] && COMPREPLY+=(\"$i\"); done\n"
           "    else\n"
           "        compopt -o filenames 2>/dev/null\n"
           "        while IFS= read -r i; do COMPREPLY+=(\"$i\"); done < <(compgen -f -- \"$word\")\n"
           "    fi\n"
           "}\n"
           "complete -F _irenic_cli irenic-cli\n";
}

} // namespace irenic
