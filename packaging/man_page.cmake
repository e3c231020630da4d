# Puts what the program says of its options into its manual page: -DOPTIONS, -DFROM and -DTO are files.
file(READ ${OPTIONS} options)
file(READ ${FROM} page)
string(REPLACE "%OPTIONS%\n" "${options}" page "${page}")
file(WRITE ${TO} "${page}")
